package app.decant.folder;

import app.decant.document.Block;
import app.decant.document.Border;
import app.decant.document.Borders;
import app.decant.document.Colour;
import app.decant.document.Document;
import app.decant.document.Facts;
import app.decant.document.Inline;
import app.decant.document.Link;
import app.decant.document.Look;
import app.decant.document.Numbering;
import app.decant.document.Paragraph;
import app.decant.document.ParagraphProperty;
import app.decant.document.Section;
import app.decant.document.Style;
import app.decant.document.StyleSheet;
import app.decant.document.Table;
import app.decant.document.TableProperty;
import app.decant.document.TextProperty;
import app.decant.folder.FolderJournal.Entry;
import app.decant.folder.FolderJournal.State;
import app.decant.format.html.WebFormat;
import app.decant.format.odf.OdfFormat;
import app.decant.publish.Recipe;
import app.decant.publish.SafeFile;
import app.decant.words.Message;
import com.fasterxml.jackson.core.JsonProcessingException;
import com.fasterxml.jackson.databind.ObjectMapper;
import com.fasterxml.jackson.databind.SerializationFeature;
import com.fasterxml.jackson.databind.node.ArrayNode;
import com.fasterxml.jackson.databind.node.ObjectNode;
import java.nio.charset.StandardCharsets;
import java.nio.file.Path;
import java.time.Instant;
import java.time.ZoneId;
import java.time.format.DateTimeFormatter;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;

/**
 * The log of a run: totals, then a table for each kind, originals left and results right. As OpenDocument text or a web page by our own writers, as CSV or
 * JSON.
 */
public final class FolderLog {
    private static final DateTimeFormatter DAY = DateTimeFormatter.ofPattern("d MMMM yyyy, HH:mm", Locale.ENGLISH).withZone(ZoneId.systemDefault());
    private static final ObjectMapper MAPPER = new ObjectMapper().enable(SerializationFeature.INDENT_OUTPUT);
    private static final String[] HEADS = Message.of("log.heads").toString().split("\\|");

    private FolderLog() { }

    /** Writes a log; its form follows the ending: .odt, .html, .csv or .json. It takes the place of no original and no result. */
    public static Path write(List<Entry> entries, FolderScan scan, Instant when, Path file) {
        List<FolderScan.LeftOut> leftOut = scan.leftOut();
        String name = file.getFileName().toString().toLowerCase(Locale.ROOT);
        byte[] bytes = name.endsWith(".odt") ? OdfFormat.ODT.write(document(entries, leftOut, when), when).bytes() : name.endsWith(".csv")
                ? csv(entries, leftOut).getBytes(StandardCharsets.UTF_8)
                : name.endsWith(".json") ? json(entries, leftOut, when).getBytes(StandardCharsets.UTF_8)
                        : WebFormat.HTML.write(document(entries, leftOut, when), when).bytes();
        return SafeFile.write(file, Recipe.WhenPresent.REPLACE, scan.guard().within(List.of()).and(entries.stream().map(Entry::target).toList()),
                out -> out.write(bytes), SafeFile.UNSEEN);
    }

    private static String words(State state) { return Message.of("folder.is." + state.name().toLowerCase(Locale.ROOT)).toString(); }

    private static Map<String, List<Entry>> kinds(List<Entry> entries) {
        Map<String, List<Entry>> kinds = new LinkedHashMap<>();
        for (FolderPlan.Kind kind : FolderPlan.Kind.values()) kinds.put(kind.words(), new ArrayList<>());
        for (Entry entry : entries) {
            FolderPlan.Kind kind = FolderPlan.Kind.of(entry.source().getFileName().toString());
            kinds.computeIfAbsent(kind == null ? Message.of("folder.kind.other").toString() : kind.words(), key -> new ArrayList<>()).add(entry);
        }
        kinds.values().removeIf(List::isEmpty);
        return kinds;
    }

    private static Document document(List<Entry> entries, List<FolderScan.LeftOut> leftOut, Instant when) {
        Look cell = Look.of(TextProperty.SIZE, 8.0);
        Map<String, Style> styles = new LinkedHashMap<>();
        styles.put("Text", new Style("Text", "Text", Style.Kind.PARAGRAPH, null, null, Look.of(ParagraphProperty.SPACE_AFTER, 4.0)));
        styles.put("Heading1", new Style("Heading1", "Heading, level 1", Style.Kind.PARAGRAPH, "Text", "Text", Look.of(TextProperty.SIZE, 16.0)
                .with(TextProperty.BOLD, true).with(ParagraphProperty.OUTLINE_LEVEL, 1)));
        styles.put("Heading2", new Style("Heading2", "Heading, level 2", Style.Kind.PARAGRAPH, "Text", "Text", Look.of(TextProperty.SIZE, 12.0)
                .with(TextProperty.BOLD, true).with(ParagraphProperty.OUTLINE_LEVEL, 2).with(ParagraphProperty.SPACE_BEFORE, 10.0)
                .with(ParagraphProperty.KEEP_WITH_NEXT, true)));
        styles.put("Cell", new Style("Cell", "Cell", Style.Kind.PARAGRAPH, null, null, cell));
        List<Block> blocks = new ArrayList<>();
        blocks.add(Paragraph.styled("Heading1", Message.of("log.title").toString()));
        blocks.add(Paragraph.of(Message.of("log.summary", DAY.format(when), FolderRun.summary(entries), FolderScan.size(entries.stream()
                .mapToLong(Entry::bytes).sum()), FolderScan.size(entries.stream().mapToLong(Entry::resultBytes).sum())).toString()));
        kinds(entries).forEach((kind, some) -> {
            blocks.add(Paragraph.styled("Heading2", kind.substring(0, 1).toUpperCase(Locale.ROOT) + kind.substring(1) + ", " + some.size()));
            blocks.add(table(some));
        });
        if (!leftOut.isEmpty()) blocks.add(Paragraph.styled("Heading2", Message.of("log.left-out", leftOut.size()).toString()));
        for (FolderScan.LeftOut one : leftOut) blocks.add(Paragraph.of(one.file() + ": " + one.reason()));
        Section.PageGeometry wide = new Section.PageGeometry(841.9, 595.3, 42, 42, 42, 42, 24, 24, 0);
        Section section = new Section(Section.Start.NEXT_PAGE, wide, Section.Columns.ONE, Section.PageNumbering.CONTINUED, Map.of(), false, blocks);
        return new Document(Facts.NONE.withTitle(Message.of("log.title").toString()), new StyleSheet(Look.of(TextProperty.FAMILY, "Liberation Sans")
                .with(TextProperty.SIZE, 10.0), "Text", null, styles), Numbering.NONE, List.of(section), false, Document.TAB_WIDTH, List.of());
    }

    private static Table table(List<Entry> entries) {
        double[] widths = {170, 170, 60, 36, 50, 44, 36, 190};
        Border line = Border.single(0.5, new Colour(0xB0A8B4));
        Look look = Look.of(TableProperty.BORDERS, Borders.all(line));
        List<Table.Row> rows = new ArrayList<>();
        List<Table.Cell> heads = new ArrayList<>();
        for (int i = 0; i < HEADS.length; i++)
            heads.add(cell(i, look.with(TableProperty.SHADING, new Colour(0xEDE8E0)), new Inline.Text(HEADS[i], Look.of(TextProperty.BOLD, true))));
        rows.add(new Table.Row(Look.of(TableProperty.HEADER_ROW, true), heads));
        for (Entry entry : entries) {
            boolean there = entry.state() == State.DONE || entry.state() == State.WANTS_LOOK;
            List<Table.Cell> cells = new ArrayList<>();
            cells.add(cell(0, look, link(entry.source())));
            cells.add(cell(1, look, there ? link(entry.target()) : new Inline.Text("", Look.PLAIN)));
            String[] rest = {words(entry.state()), entry.pages() > 0 ? String.valueOf(entry.pages()) : "", there ? FolderScan.size(entry.resultBytes()) : "",
                    String.format(Locale.ROOT, "%.2f", entry.seconds()), entry.faith() < 0 ? "" : String.format(Locale.ROOT, "%.0f", entry.faith()),
                    String.join(" ", entry.words())};
            for (int i = 0; i < rest.length; i++) cells.add(cell(i + 2, look, new Inline.Text(rest[i], Look.PLAIN)));
            rows.add(new Table.Row(Look.PLAIN, cells));
        }
        List<Double> columns = new ArrayList<>();
        for (double width : widths) columns.add(width);
        return new Table(look.with(TableProperty.PADDING, new TableProperty.Insets(1, 3, 1, 3)), columns, rows);
    }

    private static Inline link(Path file) {
        return new Inline.Text(file.getFileName().toString(), Look.of(TextProperty.LINK, new Link.Address(file.toUri().toString())));
    }

    private static Table.Cell cell(int column, Look look, Inline content) {
        return new Table.Cell(column, 1, 1, look, List.of(new Paragraph("Cell", Look.PLAIN, Look.PLAIN, List.of()).withInlines(List.of(content))));
    }

    private static String csv(List<Entry> entries, List<FolderScan.LeftOut> leftOut) {
        StringBuilder csv = new StringBuilder("original,result,state,pages,bytes,result bytes,seconds,faith,words\r\n");
        for (Entry entry : entries) {
            csv.append(quoted(entry.source().toString())).append(',').append(quoted(entry.target().toString())).append(',').append(words(entry.state()))
                    .append(',').append(entry.pages()).append(',').append(entry.bytes()).append(',').append(entry.resultBytes())
                    .append(',').append(entry.seconds()).append(',').append(entry.faith() < 0 ? "" : String.valueOf(entry.faith())).append(',')
                            .append(quoted(String.join(" ", entry.words()))).append("\r\n");
        }
        for (FolderScan.LeftOut one : leftOut) csv.append(quoted(one.file().toString())).append(",,left out,,,,,,").append(quoted(one.reason())).append("\r\n");
        return csv.toString();
    }

    /** RFC 4180. */
    private static String quoted(String text) { return '"' + text.replace("\"", "\"\"") + '"'; }

    /** The log as JSON. */
    public static String json(List<Entry> entries, List<FolderScan.LeftOut> leftOut, Instant when) {
        ObjectNode root = MAPPER.createObjectNode().put("when", when.toString()).put("summary", FolderRun.summary(entries));
        ArrayNode files = root.putArray("files");
        for (Entry entry : entries) {
            ObjectNode node = files.addObject().put("source", entry.source().toString()).put("result", entry.target().toString())
                    .put("state", entry.state().name().toLowerCase(Locale.ROOT)).put("pages", entry.pages()).put("bytes", entry.bytes())
                    .put("resultBytes", entry.resultBytes()).put("seconds", entry.seconds());
            if (entry.faith() >= 0) node.put("faith", entry.faith());
            entry.words().forEach(node.putArray("words")::add);
        }
        ArrayNode out = root.putArray("leftOut");
        for (FolderScan.LeftOut one : leftOut) out.addObject().put("file", one.file().toString()).put("reason", one.reason());
        try {
            return MAPPER.writeValueAsString(root) + "\n";
        } catch (JsonProcessingException e) {
            throw new IllegalStateException(e);
        }
    }
}
