package app.decant.layout;

import app.decant.document.Finding;
import app.decant.font.FontCatalogue;
import app.decant.words.Message;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.TreeSet;
import java.util.stream.Collectors;

/** What a layout has to tell: fonts that are not here and what stands in for them, characters that no font has. */
final class LayoutFindings {
    private final List<FontCatalogue.Match> fonts;
    private final List<Finding> findings;

    /**
     * @param fonts   that were asked for, by their names
     * @param missing characters that no font has
     */
    LayoutFindings(Map<String, FontCatalogue.Match> fonts, Set<Integer> missing) {
        this.fonts = fonts.values().stream().sorted(Comparator.comparing(FontCatalogue.Match::family)).toList();
        this.findings = List.copyOf(found(new TreeSet<>(missing)));
    }

    /** Every font that was asked for, by name. */
    List<FontCatalogue.Match> fonts() { return fonts; }

    List<Finding> findings() { return findings; }

    private List<Finding> found(Set<Integer> missing) {
        List<Finding> findings = new ArrayList<>();
        tellStandIns(fonts.stream().filter(match -> !match.here() && match.equalWidths()).toList(), true, findings);
        tellStandIns(fonts.stream().filter(match -> !match.here() && !match.equalWidths()).toList(), false, findings);
        if (!missing.isEmpty()) {
            String some = missing.stream().limit(6).map(Character::toString).collect(Collectors.joining(" "));
            findings.add(Finding.lost(Message.of("layout.no-font-here-has-an-empty-box", some, missing.size() > 6, (missing.size() - 6), missing.size())));
        }
        return findings;
    }

    private static void tellStandIns(List<FontCatalogue.Match> matches, boolean equalWidths, List<Finding> findings) {
        if (matches.isEmpty()) return;
        Message sentence;
        if (matches.size() == 1) {
            FontCatalogue.Match match = matches.get(0);
            sentence = Message.of("layout.stand-in", match.family(), match.face().family(), equalWidths);
        } else {
            String names = matches.stream().map(match -> match.family() + " (" + match.face().family() + ")").collect(Collectors.joining(", "));
            sentence = Message.of("layout.stand-ins", matches.size(), names, equalWidths);
        }
        findings.add(equalWidths ? Finding.note(sentence) : Finding.changed(sentence));
    }
}
