package app.decant.format.sheet;

import static org.assertj.core.api.Assertions.assertThat;

import app.decant.document.DecantException;
import app.decant.document.Progress;
import app.decant.font.FontCatalogue;
import app.decant.format.Archive;
import app.decant.format.Content;
import app.decant.sheet.SheetChoice;
import app.decant.sheet.SheetLayout;
import app.decant.sheet.Workbook;
import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.time.Duration;
import java.time.Instant;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Random;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.EnumSource;

/** Workbooks whose markup stays well-formed but says what cannot be: each ends in a workbook that can be written and put onto pages, or in a sentence. */
class SpoiledWorkbooksTest {
    @TempDir private Path root;

    private static final Instant WHEN = Instant.parse("2026-11-28T08:00:00Z");
    private static final int ROUNDS = Integer.getInteger("decant.spoiled", 250);
    private static final Pattern VALUE = Pattern.compile("([\\w:.-]+)=\"([^\"]*)\"");
    private static final Pattern TEXT = Pattern.compile(">([^<>]+)<");
    private static final Pattern LEAF = Pattern.compile("<([\\w:]+)(?:\\s[^<>]*)?/>");
    private static final List<String> ODD = List.of("", "-1", "0", "1", "99999999999", "NaN", "1e308", "A1", "XFD1048576", "A0", "A1:A1048576", "Z9:A1",
            "$A$1:$B",
            "#REF!", "=", "((((", "\u0000".replace("\u0000", "x"), "true", "rId1", "rId99", "../../../etc/passwd", "'It''s fares'!A1", "\uD83D\uDEA2", "a b c",
            "of:=[.A1", "{1,2", "65536", "16385", "-2147483649", "0.5", "PT99999H", "2026-13-45");

    private static byte[] spoiled(Map<String, byte[]> parts, Random random, String kind) {
        Map<String, byte[]> spoiled = new LinkedHashMap<>(parts);
        List<String> names = new ArrayList<>(parts.keySet().stream().filter(name -> name.endsWith(".xml") || name.endsWith(".rels")).toList());
        for (int i = 1 + random.nextInt(3); i > 0; i--) {
            String name = names.get(random.nextInt(names.size()));
            if (random.nextInt(20) == 0) {
                spoiled.remove(name);
                continue;
            }
            if (!spoiled.containsKey(name)) continue;
            String markup = new String(spoiled.get(name), StandardCharsets.UTF_8);
            Pattern what = List.of(VALUE, VALUE, TEXT, LEAF).get(random.nextInt(4));
            List<int[]> places = new ArrayList<>();
            Matcher matcher = what.matcher(markup);
            while (matcher.find()) if (!matcher.group().startsWith("xmlns")) places.add(new int[] {matcher.start(), matcher.end(),
                what == LEAF ? matcher.start() : matcher.start(what == VALUE ? 2 : 1), what == LEAF ? matcher.end() : matcher.end(what == VALUE ? 2 : 1)});
            if (places.isEmpty()) continue;
            int[] place = places.get(random.nextInt(places.size()));
            String instead = what == LEAF ? random.nextBoolean() ? "" : markup.substring(place[0], place[1]).repeat(2) : ODD.get(random.nextInt(ODD.size()))
                    .replace("&", "&amp;");
            spoiled.put(name, (markup.substring(0, place[2]) + instead + markup.substring(place[3])).getBytes(StandardCharsets.UTF_8));
        }
        return Archive.packed(kind, spoiled);
    }

    @ParameterizedTest @EnumSource(names = {"XLSX", "ODS"})
    void whatContradictsItselfEndsInAWorkbookOrASentence(SheetFormat format) {
        survives(format, format.write(FurnishedWorkbook.workbook(FurnishedWorkbook.strong()), WHEN).bytes(), ROUNDS);
    }

    /** The same of drawings over cells: boxes, outlines, lines and groups. */
    @ParameterizedTest @EnumSource(names = {"XLSX", "ODS"})
    void shapesThatContradictThemselvesDoAsWell(SheetFormat format) throws IOException {
        byte[] made = Files.readAllBytes(SheetShapesTest.xlsx(root.resolve("map.xlsx")));
        Workbook workbook = SheetFormat.XLSX.workbook(new Content(made, "map.xlsx"), null, Progress.SILENT).workbook();
        survives(format, format == SheetFormat.XLSX ? made : format.write(workbook, WHEN).bytes(), ROUNDS / 2);
    }

    private static void survives(SheetFormat format, byte[] whole, int rounds) {
        Map<String, byte[]> parts = new LinkedHashMap<>(Archive.parts(whole));
        parts.remove("mimetype");
        String kind = format == SheetFormat.ODS ? "application/vnd.oasis.opendocument.spreadsheet" : null;
        Random random = new Random(1502);
        int read = 0;
        int laid = 0;
        for (int round = 0; round < rounds; round++) {
            byte[] bytes = spoiled(parts, random, kind);
            Instant began = Instant.now();
            try {
                Workbook workbook = format.workbook(new Content(bytes, "fares." + format.ending()), null, Progress.SILENT).workbook();
                read++;
                for (SheetFormat other : List.of(SheetFormat.XLSX, SheetFormat.XLS, SheetFormat.ODS)) {
                    byte[] again = other.write(workbook, WHEN).bytes();
                    other.workbook(new Content(again, "again." + other.ending()), null, Progress.SILENT);
                }
                assertThat(SheetLayout.of(workbook, SheetChoice.AS_SET_UP, FontCatalogue.shipped(), Progress.SILENT).count()).isPositive();
                laid++;
            } catch (DecantException e) {
                assertThat(e.getMessage()).isNotBlank();
            } catch (RuntimeException | StackOverflowError e) {
                throw new AssertionError("Round " + round + " of " + format, e);
            }
            assertThat(Duration.between(began, Instant.now())).as("round %s", round).isLessThan(Duration.ofSeconds(60));
        }
        assertThat(read).as("most of it can be read all the same").isGreaterThan(rounds / 2);
        assertThat(laid).isGreaterThan(rounds / 3);
    }

    /** Ten thousand styles, a million rows that say nothing, merged cells over everything: read in bounded room. */
    @Test void muchOfNothingIsReadInLittleRoom() {
        StringBuilder rows = new StringBuilder("<sheetData>");
        for (int r = 1; r <= 200_000; r++) rows.append("<row r='").append(r).append("' spans='1:3'/>");
        rows.append("<row r='1048576'><c r='XFD1048576' s='99999'><v>1</v></c></row></sheetData><mergeCells><mergeCell ref='A1:XFD1048576'/></mergeCells>");
        Map<String, byte[]> parts = new LinkedHashMap<>(Archive.parts(SheetFormat.XLSX.write(FurnishedWorkbook.workbook(null), WHEN).bytes()));
        parts.put("xl/worksheets/sheet2.xml", ("<worksheet xmlns='http://schemas.openxmlformats.org/spreadsheetml/2006/main'>" + rows + "</worksheet>")
                .getBytes(StandardCharsets.UTF_8));
        Workbook workbook = SheetFormat.XLSX.workbook(new Content(Archive.packed(null, parts), "far.xlsx"), null, Progress.SILENT).workbook();
        assertThat(workbook.sheets().get(1).rows()).as("rows that say nothing are none").hasSize(1);
        assertThat(workbook.sheets().get(1).cell(1_048_575, 16_383)).isNotNull();
    }
}
