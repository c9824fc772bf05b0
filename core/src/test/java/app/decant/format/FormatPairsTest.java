package app.decant.format;

import static org.assertj.core.api.Assertions.assertThat;

import app.decant.demo.HarbourNotice;
import app.decant.demo.PassengerHandbook;
import app.decant.document.Document;
import app.decant.document.Progress;
import app.decant.font.FontCatalogue;
import app.decant.format.Portrait.Aspect;
import app.decant.format.binary.BinaryFormat;
import app.decant.format.html.WebFormat;
import app.decant.format.odf.OdfFormat;
import app.decant.format.ooxml.OoxmlFormat;
import app.decant.format.rtf.RtfFormat;
import app.decant.format.text.PlainFormat;
import app.decant.layout.Layout;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.time.Instant;
import java.util.ArrayList;
import java.util.EnumSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import org.junit.jupiter.api.Test;

/** From every format that keeps looks into every other and back: what comes back is what was there. The page on what is carried is made here. */
class FormatPairsTest {
    private static final Instant WHEN = Instant.parse("2026-11-01T08:00:00Z");
    private static final List<Format> WHOLE = List.of(OoxmlFormat.DOCX, BinaryFormat.DOC, OdfFormat.ODT, RtfFormat.RTF);
    private static final List<Format> ALL = List.of(OoxmlFormat.DOCX, BinaryFormat.DOC, OdfFormat.ODT, RtfFormat.RTF, WebFormat.HTML, WebFormat.EPUB,
            WebFormat.MD, PlainFormat.TXT);
    private static final EnumSet<Aspect> COMMON = EnumSet.complementOf(EnumSet.of(Aspect.FLOATING));

    private static Document through(Format format, Document document) {
        return Formats.read(format.write(document, WHEN).bytes(), "pair." + format.ending(), null, Progress.SILENT).document();
    }

    @Test void everyPairGivesBackWhatItWasGiven() {
        for (Document made : List.of(PassengerHandbook.document(), HarbourNotice.document())) {
            Document before = Layout.of(made, FontCatalogue.shipped()).withFieldResults();
            for (Format first : WHOLE) {
                Document once = through(first, before);
                for (Format second : WHOLE)
                    assertThat(Portrait.differences(before, through(second, once), COMMON)).as("%s, then %s", first, second).isEmpty();
            }
        }
    }

    /** Makes {@code docs/carried.md} anew and holds it: a difference from what is kept there fails. */
    @Test void theCarriedTableIsWhatTheFormatsCarry() throws IOException {
        Map<Aspect, String> words = new LinkedHashMap<>();
        words.put(Aspect.OUTLINE, "headings and their levels");
        words.put(Aspect.LABELS, "labels of lists and headings");
        words.put(Aspect.FONTS, "fonts, sizes, small capitals");
        words.put(Aspect.COLOURS, "colours and highlights");
        words.put(Aspect.INDENTS, "indents");
        words.put(Aspect.SPACING, "space between paragraphs and lines");
        words.put(Aspect.TABS, "tab stops");
        words.put(Aspect.TABLE_LINES, "widths, lines and shading of cells");
        words.put(Aspect.PICTURE_SIZES, "sizes of pictures");
        words.put(Aspect.FLOATING, "floating pictures and boxes");
        words.put(Aspect.NOTES, "notes");
        words.put(Aspect.FIELDS, "live fields: page numbers, references");
        words.put(Aspect.BOOKMARKS, "places and links to them");
        words.put(Aspect.FRAMES, "headers and footers");
        words.put(Aspect.PAGES, "pages: size, margins, columns, sections");
        StringBuilder page = new StringBuilder("# What each format carries\n\nMade from the demo company's documents by `FormatPairsTest`: each is "
                + "written, read again and compared. “whole”: not one line differs; “nearly”: fewer than one line in ten\ndiffers; “partly”: fewer than "
                + "half; “a little”: more than that; “—”: lost. A PDF keeps all looks, but is taken in anew rather than read: see "
                + "[recovery.md](recovery.md).\n\n| |");
        for (Format format : ALL) page.append(" .").append(format.ending()).append(" |");
        page.append("\n|---|").append("---|".repeat(ALL.size())).append('\n');
        Map<Format, List<Document>> after = new LinkedHashMap<>();
        List<Document> before = new ArrayList<>();
        for (Document made : List.of(PassengerHandbook.document(), HarbourNotice.document()))
            before.add(Layout.of(made, FontCatalogue.shipped()).withFieldResults());
        for (Format format : ALL) after.put(format, before.stream().map(document -> through(format, document)).toList());
        for (Map.Entry<Aspect, String> aspect : words.entrySet()) {
            page.append("| ").append(aspect.getValue()).append(" |");
            for (Format format : ALL) page.append(' ').append(carried(aspect.getKey(), before, after.get(format))).append(" |");
            page.append('\n');
        }
        Path kept = Path.of("..", "docs", "carried.md");
        if (Boolean.getBoolean("decant.docs")) Files.writeString(kept, page);
        assertThat(Files.readString(kept)).isEqualTo(page.toString());
        assertThat(page.toString()).contains("| headings and their levels | whole | whole | whole | whole |",
                "| headers and footers | whole | whole | whole | whole | — |");
    }

    /** How many of the lines that an aspect says something about come back as they were. */
    private static String carried(Aspect aspect, List<Document> before, List<Document> after) {
        long told = 0;
        long same = 0;
        for (int i = 0; i < before.size(); i++) {
            List<String> bare = Portrait.of(before.get(i), EnumSet.noneOf(Aspect.class));
            List<String> with = Portrait.of(before.get(i), EnumSet.of(aspect));
            List<String> wanted = signs(aspect, with, bare);
            List<String> found = signs(aspect, Portrait.of(after.get(i), EnumSet.of(aspect)), Portrait.of(after.get(i), EnumSet.noneOf(Aspect.class)));
            told += wanted.size();
            List<String> left = new ArrayList<>(found);
            for (String one : wanted) if (left.remove(one)) same++;
        }
        if (told == 0) return "·";
        return same == told ? "whole" : same * 10 >= told * 9 ? "nearly" : same * 2 >= told ? "partly" : same * 4 >= told ? "a little" : "—";
    }

    /** The lines that say something of an aspect: those that look otherwise where it is not told. */
    private static List<String> signs(Aspect aspect, List<String> with, List<String> bare) {
        List<String> lines = new ArrayList<>();
        List<String> plain = new ArrayList<>(bare);
        for (String line : with) if (!plain.remove(line)) lines.add(line.strip().replaceFirst("([\\] ])(\\d+\\.)*\\d+ (?=\\p{Lu})", "$1"));
        return lines;
    }
}
