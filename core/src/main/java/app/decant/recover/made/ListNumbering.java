package app.decant.recover.made;

import app.decant.document.Colour;
import app.decant.document.Look;
import app.decant.document.NumberFormat;
import app.decant.document.Numbering;
import app.decant.document.ParagraphProperty;
import app.decant.document.TextProperty;
import app.decant.recover.text.ListFinder;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;

/** Makes the document's numbering from the lists that were found. */
public final class ListNumbering {
    private ListNumbering() { }

    public static Numbering of(List<ListFinder.Found> lists, Faces faces) {
        Numbering numbering = Numbering.NONE;
        for (int i = 0; i < lists.size(); i++) {
            List<Numbering.Level> levels = new ArrayList<>();
            for (int k = 0; k < lists.get(i).levels.size(); k++) levels.add(level(lists.get(i).levels.get(k), k, faces));
            String id = String.valueOf(i + 1);
            numbering = numbering.with(new Numbering.Pattern("pattern" + id, levels), new Numbering.NumberedList("list" + id, "pattern" + id, Map.of(),
                    Map.of()));
        }
        return numbering;
    }

    private static Numbering.Level level(ListFinder.Level found, int depth, Faces faces) {
        Look look = Look.of(ParagraphProperty.INDENT_START, BlockMaker.rounded(found.textLeft())).with(ParagraphProperty.FIRST_LINE,
                BlockMaker.rounded(found.labelLeft() - found.textLeft()))
                .with(TextProperty.SIZE, RunMaker.rounded(found.sample().size())).with(TextProperty.BOLD, found.sample().face().bold())
                        .with(TextProperty.ITALIC, found.sample().face().italic());
        look = look.with(TextProperty.COLOUR, found.sample().rgb() == 0 ? Colour.AUTOMATIC : new Colour(found.sample().rgb()));
        if (found.bullet()) {
            String bullet = plain(found.bulletText());
            return new Numbering.Level(NumberFormat.BULLET, 1, bullet, Numbering.Suffix.TAB, null, null, look);
        }
        look = look.with(TextProperty.FAMILY, faces.of(found.sample().face()).family());
        StringBuilder label = new StringBuilder(found.open());
        for (int parent = depth - found.parents(); parent < depth; parent++) label.append('%').append(parent + 1).append('.');
        label.append('%').append(depth + 1).append(found.close());
        return new Numbering.Level(found.format(), found.start(), label.toString(), Numbering.Suffix.TAB, null, null, look);
    }

    /** Bullets of symbol fonts as the characters they show; common practice, no source. */
    private static String plain(String bullet) {
        return switch (bullet) {
            case "\uF0B7" -> "•";
            case "\uF0A7" -> "▪";
            case "\uF0D8" -> "➢";
            case "\uF0FC" -> "✓";
            default -> bullet.charAt(0) >= '\uE000' && bullet.charAt(0) <= '\uF8FF' ? "•" : bullet;
        };
    }
}
