package app.decant.format.rtf;

import app.decant.document.Block;
import app.decant.document.Cascade;
import app.decant.document.Document;
import app.decant.document.Facts;
import app.decant.document.Finding;
import app.decant.document.Look;
import app.decant.document.NoteCount;
import app.decant.document.NumberFormat;
import app.decant.document.Numbering;
import app.decant.document.PageDress;
import app.decant.document.Paragraph;
import app.decant.document.ParagraphProperty;
import app.decant.document.Section.FramePlace;
import app.decant.document.Section;
import app.decant.document.Style;
import app.decant.document.TextProperty;
import app.decant.document.TrackedChanges;
import app.decant.format.CommentSpans;
import app.decant.format.FlatLooks;
import app.decant.format.FramedBlocks;
import app.decant.format.Languages;
import app.decant.format.NumberCodes;
import app.decant.format.OtherLabels;
import app.decant.format.PartedWords;
import app.decant.format.Written;
import app.decant.words.Message;
import java.nio.charset.StandardCharsets;
import java.time.Instant;
import java.time.ZoneOffset;
import java.time.ZonedDateTime;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Set;
import java.util.TreeSet;

/** Writes a document as a rich text file (RTF 1.9.1), which nearly every program that sets text can read. */
public final class RtfWriter {
    private static final int LEVELS = 9;

    private Boolean parts;
    private final Document document;
    private final Map<String, Integer> styles = new HashMap<>();
    private final Map<String, Integer> lists = new HashMap<>();
    private final RtfLooks looks;
    private final FlatLooks flat;
    private final Set<String> lost = new LinkedHashSet<>();
    private final List<String> authors = new ArrayList<>();
    private final CommentSpans spans;

    private RtfWriter(Document document) {
        this.document = document;
        flat = new FlatLooks(Cascade.of(document));
        spans = new CommentSpans(document);
        String normal = document.styles().defaultParagraph();
        if (normal != null) styles.put(normal, 0);
        int next = 1;
        for (Style style : document.styles().styles().values())
            if ((style.kind() == Style.Kind.PARAGRAPH || style.kind() == Style.Kind.CHARACTER) && !styles.containsKey(style.id()))
                styles.put(style.id(), next++);
        for (Numbering.NumberedList list : document.numbering().lists().values())
            if (document.numbering().patterns().containsKey(list.pattern())) lists.put(list.id(), lists.size() + 1);
        looks = new RtfLooks(id -> styles.getOrDefault(id, -1), id -> lists.getOrDefault(id, 0));
    }

    public static Written write(Document document, Instant when) {
        Document told = TrackedChanges.withRowsAccepted(document);
        RtfWriter writer = new RtfWriter(FramedBlocks.inBoxes(told, false));
        if (told != document) writer.lose("rows");
        String file = writer.file(when);
        List<Finding> findings = new ArrayList<>();
        if (writer.lost.contains("opaque"))
            findings.add(Finding.lost(Message.of("rtf.charts-formulas-and-embedded-objects-that-have")));
        if (writer.lost.contains("picture")) findings.add(Finding.lost(Message.of("rtf.a-picture-cannot-be-decoded")));
        if (writer.lost.contains("pixels")) findings.add(Finding.changed(Message.of("rtf.pictures-that-are-neither-png-nor-jpeg")));
        if (writer.lost.contains("rows")) findings.add(Finding.changed(Message.of("format.changes-of-rows-are-accepted")));
        if (writer.lost.contains("answers")) findings.add(Finding.changed(Message.of("odf.answers-stand-in-comments")));
        if (writer.lost.contains("done")) findings.add(Finding.changed(Message.of("format.comments-that-are-done")));
        if (OtherLabels.in(document, RtfFormat.RTF.shown(document))) findings.add(Finding.changed(Message.of("rtf.lists-begin-anew-otherwise")));
        return new Written(file.getBytes(StandardCharsets.US_ASCII), findings);
    }

    RtfLooks looks() { return looks; }
    FlatLooks flat() { return flat; }
    void lose(String what) { lost.add(what); }
    int style(String id) { return id == null ? 0 : styles.getOrDefault(id, 0); }

    private String file(Instant when) {
        // Tables of fonts and colours stand first but are known last.
        String styleSheet = styleSheet();
        String listTables = listTables();
        StringBuilder body = new StringBuilder();
        for (int i = 0; i < document.sections().size(); i++) section(body, document.sections().get(i), i == document.sections().size() - 1);
        return "{\\rtf1\\ansi\\ansicpg1252\\uc1\\deff0" + language() + "\n" + looks.fontTable() + looks.colourTable() + styleSheet + listTables
                + authorTable() + info(when) + page() + body + "}\n";
    }

    private String authorTable() {
        if (authors.isEmpty()) return "";
        StringBuilder table = new StringBuilder("{\\*\\revtbl{Unknown;}");
        for (String author : authors) table.append('{').append(RtfText.escaped(author.replace(";", ","))).append(";}");
        return table.append("}\n").toString();
    }

    /** The number of somebody who changed something. */
    int author(String name) {
        if (name.isEmpty()) return 0;
        if (!authors.contains(name)) authors.add(name);
        return authors.indexOf(name) + 1;
    }

    CommentSpans spans() { return spans; }

    private String styleSheet() {
        StringBuilder sheet = new StringBuilder("{\\stylesheet");
        if (document.styles().style(document.styles().defaultParagraph()) == null)
            sheet.append("{\\s0").append(looks.text(document.styles().defaults())).append(" Normal;}");
        for (Style style : document.styles().styles().values()) {
            Integer number = styles.get(style.id());
            if (number == null) continue;
            boolean paragraph = style.kind() == Style.Kind.PARAGRAPH;
            Integer parent = style.parent() == null ? null : styles.get(style.parent());
            Look look = parent == null && paragraph ? style.look().over(document.styles().defaults()) : style.look();
            sheet.append(paragraph ? "{\\s" : "{\\*\\cs").append(number);
            if (paragraph) sheet.append(looks.paragraph(look));
            sheet.append(looks.text(look));
            if (parent != null) sheet.append("\\sbasedon").append(parent);
            if (paragraph && style.next() != null && styles.containsKey(style.next())) sheet.append("\\snext").append(styles.get(style.next()));
            sheet.append(paragraph ? " " : "\\additive ").append(RtfText.escaped(style.name().replace(";", ""))).append(";}");
        }
        return sheet.append("}\n").toString();
    }

    private String listTables() {
        if (lists.isEmpty()) return "";
        StringBuilder table = new StringBuilder("{\\*\\listtable");
        Map<String, Integer> ids = new HashMap<>();
        for (Numbering.Pattern pattern : document.numbering().patterns().values()) {
            int id = 1000 + ids.size();
            ids.put(pattern.id(), id);
            table.append("{\\list\\listtemplateid").append(id);
            for (int i = 0; i < LEVELS; i++)
                level(table, i < pattern.levels().size() ? pattern.levels().get(i) : new Numbering.Level(NumberFormat.NONE, 1, "", Numbering.Suffix.NOTHING,
                        null, null, Look.PLAIN));
            table.append("{\\listname ;}\\listid").append(id).append('}');
        }
        table.append("}\n{\\*\\listoverridetable");
        for (Numbering.NumberedList list : document.numbering().lists().values()) {
            if (!lists.containsKey(list.id())) continue;
            Set<Integer> changed = new TreeSet<>(list.starts().keySet());
            changed.addAll(list.changed().keySet());
            int last = changed.isEmpty() ? 0 : ((TreeSet<Integer>) changed).last() + 1;
            table.append("{\\listoverride\\listid").append(ids.get(list.pattern())).append("\\listoverridecount").append(last);
            for (int i = 0; i < last; i++) {
                // Levels are told in their order, so those before a changed one are told as they are.
                table.append("{\\lfolevel");
                if (list.starts().containsKey(i)) table.append("\\listoverridestartat\\levelstartat").append(list.starts().get(i));
                if (list.changed().containsKey(i)) {
                    table.append("\\listoverrideformat");
                    level(table, list.changed().get(i));
                }
                table.append('}');
            }
            table.append("\\ls").append(lists.get(list.id())).append('}');
        }
        return table.append("}\n").toString();
    }

    private void level(StringBuilder table, Numbering.Level level) {
        int format = NumberCodes.code(level.format());
        StringBuilder text = new StringBuilder();
        StringBuilder numbers = new StringBuilder();
        int length = 0;
        for (int i = 0; i < level.label().length(); i++) {
            char c = level.label().charAt(i);
            length++;
            boolean count = c == '%' && i + 1 < level.label().length() && level.label().charAt(i + 1) >= '1' && level.label().charAt(i + 1) <= '9';
            if (count) {
                text.append(String.format(Locale.ROOT, "\\'%02x", level.label().charAt(++i) - '1'));
                numbers.append(String.format(Locale.ROOT, "\\'%02x", length));
            } else {
                text.append(RtfText.escaped(String.valueOf(c)));
            }
        }
        int follow = level.suffix() == Numbering.Suffix.TAB ? 0 : level.suffix() == Numbering.Suffix.SPACE ? 1 : 2;
        table.append("{\\listlevel\\levelnfc").append(format).append("\\levelnfcn").append(format)
                .append("\\leveljc").append(NumberCodes.code(level.standing()))
                .append("\\leveljcn").append(NumberCodes.code(level.standing())).append(level.legal() ? "\\levellegal1" : "")
                .append("\\levelfollow").append(follow)
                .append("\\levelstartat").append(level.start());
        if (level.restart() != null && level.restart() == 0) table.append("\\levelnorestart1");
        table.append(String.format(Locale.ROOT, "{\\leveltext\\'%02x", length)).append(text).append(";}{\\levelnumbers").append(numbers).append(";}")
                .append(looks.text(level.look().without(TextProperty.LINK))).append(looks.paragraph(level.look().without(ParagraphProperty.LIST))).append('}');
    }

    /** A level as this format can say it. */
    static Numbering.Level restarting(Numbering.Level level) {
        return level.restart() == null || level.restart() == 0 ? level : level.restarting(null);
    }

    private String language() {
        String language = document.facts().language();
        return language == null || Languages.number(language) == 0 ? "" : "\\deflang" + Languages.number(language);
    }

    private String info(Instant when) {
        Facts facts = document.facts();
        StringBuilder info = new StringBuilder("{\\info");
        fact(info, "title", facts.title());
        fact(info, "subject", facts.subject());
        fact(info, "author", facts.author());
        fact(info, "keywords", facts.keywords());
        fact(info, "company", facts.others().get("Company"));
        time(info, "creatim", facts.created());
        time(info, "revtim", when);
        return info.append("}\n").toString();
    }

    private static void fact(StringBuilder info, String name, String value) {
        if (value != null) info.append(name.equals("company") ? "{\\*\\company " : "{\\" + name + " ").append(RtfText.escaped(value)).append('}');
    }

    private static void time(StringBuilder info, String name, Instant time) {
        if (time == null) return;
        ZonedDateTime at = time.atZone(ZoneOffset.UTC);
        info.append("{\\").append(name).append("\\yr").append(at.getYear()).append("\\mo").append(at.getMonthValue()).append("\\dy")
                .append(at.getDayOfMonth()).append("\\hr").append(at.getHour()).append("\\min").append(at.getMinute()).append('}');
    }

    /** Whether it parts words at the ends of lines. */
    boolean parts() {
        if (parts == null) parts = PartedWords.areIn(document);
        return parts;
    }

    private String page() {
        Section.PageGeometry page = document.sections().get(0).page();
        return "\\paperw" + RtfLooks.twips(page.width()) + "\\paperh" + RtfLooks.twips(page.height()) + "\\margl" + RtfLooks.twips(page.left()) + "\\margr"
                + RtfLooks.twips(page.right()) + "\\margt" + RtfLooks.twips(page.top()) + "\\margb" + RtfLooks.twips(page.bottom())
                + "\\deftab" + RtfLooks.twips(document.tabWidth()) + (document.evenAndOddFrames() ? "\\facingp" : "") + (parts() ? "\\hyphauto1\\hyphconsec"
                + PartedWords.inRow(document) + "\\hyphhotz" + PartedWords.zone(document) : "")
                + "\\fet2\\aftnnrlc\\widowctrl\n";
    }

    private static void notes(StringBuilder body, String kind, NoteCount count, NoteCount usual) {
        if (count.equals(usual)) return;
        RtfSection.COUNTS.forEach((word, format) -> {
            if (format == count.format()) body.append('\\').append(kind).append('n').append(word);
        });
        body.append('\\').append(kind).append("start").append(count.start());
        if (count.bySection()) body.append('\\').append(kind).append("restart");
    }

    private void dress(StringBuilder body, PageDress dress) {
        notes(body, "sftn", dress.footnotes(), NoteCount.FOOTNOTES);
        notes(body, "saftn", dress.endnotes(), NoteCount.ENDNOTES);
        if (dress.isFramed()) {
            body.append("\\pgbrdropt").append((dress.framed() == PageDress.Framed.FIRST ? 1 : dress.framed() == PageDress.Framed.OTHERS ? 2 : 0)
                    + (dress.fromText() ? 0 : 32));
            looks.border(body, "\\pgbrdrt", dress.frame().top());
            looks.border(body, "\\pgbrdrl", dress.frame().left());
            looks.border(body, "\\pgbrdrb", dress.frame().bottom());
            looks.border(body, "\\pgbrdrr", dress.frame().right());
        }
        PageDress.LineNumbers numbers = dress.numbers();
        if (numbers != null) body.append("\\linemod").append(numbers.every()).append("\\linex").append(RtfLooks.twips(numbers.distance()))
                .append("\\linestarts").append(numbers.start()).append(switch (numbers.again()) {
                    case PAGE -> "\\lineppage";
                    case SECTION -> "\\linerestart";
                    case NEVER -> "\\linecont";
                });
        if (dress.standing() != PageDress.Standing.TOP) body.append(dress.standing() == PageDress.Standing.MIDDLE ? "\\vertalc" : "\\vertalb");
    }

    private void section(StringBuilder body, Section section, boolean last) {
        Section.PageGeometry page = section.page();
        body.append("\\sectd").append(switch (section.start()) {
            case CONTINUOUS -> "\\sbknone";
            case NEXT_COLUMN -> "\\sbkcol";
            case NEXT_PAGE -> "\\sbkpage";
            case EVEN_PAGE -> "\\sbkeven";
            case ODD_PAGE -> "\\sbkodd";
        });
        body.append("\\pgwsxn").append(RtfLooks.twips(page.width())).append("\\pghsxn").append(RtfLooks.twips(page.height())).append("\\marglsxn")
                .append(RtfLooks.twips(page.left())).append("\\margrsxn").append(RtfLooks.twips(page.right()))
                .append("\\margtsxn").append(RtfLooks.twips(page.top())).append("\\margbsxn").append(RtfLooks.twips(page.bottom())).append("\\guttersxn")
                        .append(RtfLooks.twips(page.gutter()))
                .append("\\headery").append(RtfLooks.twips(page.header())).append("\\footery").append(RtfLooks.twips(page.footer()));
        if (page.isLandscape()) body.append("\\lndscpsxn");
        if (section.firstPageDiffers()) body.append("\\titlepg");
        dress(body, section.dress());
        Section.Columns columns = section.columns();
        if (columns.count() > 1) {
            body.append("\\cols").append(columns.count()).append("\\colsx").append(RtfLooks.twips(columns.gap())).append(columns.line() ? "\\linebetcol" : "");
            for (int i = 0; columns.widths().size() >= columns.count() * 2 - 1 && i < columns.count(); i++) {
                body.append("\\colno").append(i + 1).append("\\colw").append(RtfLooks.twips(columns.widths().get(2 * i)));
                if (i + 1 < columns.count()) body.append("\\colsr").append(RtfLooks.twips(columns.widths().get(2 * i + 1)));
            }
        }
        body.append(switch (section.numbering().format()) {
            case LOWER_ROMAN -> "\\pgnlcrm";
            case UPPER_ROMAN -> "\\pgnucrm";
            case LOWER_LETTER -> "\\pgnlcltr";
            case UPPER_LETTER -> "\\pgnucltr";
            default -> "\\pgndec";
        });
        if (section.numbering().start() != null) body.append("\\pgnrestart\\pgnstarts").append(section.numbering().start());
        body.append('\n');
        section.frames().forEach((place, blocks) -> {
            body.append('{').append(frame(place)).append(' ');
            new RtfStory(this, section, body).blocks(blocks);
            body.append("}\n");
        });
        List<Block> blocks = new ArrayList<>(section.blocks());
        if (blocks.isEmpty() || !(blocks.get(blocks.size() - 1) instanceof Paragraph)) blocks.add(Paragraph.of(""));
        RtfStory story = new RtfStory(this, section, body);
        story.section(blocks, last);
    }

    private String frame(FramePlace place) {
        boolean sides = document.evenAndOddFrames();
        return switch (place) {
            case FIRST_HEADER -> "\\headerf";
            case HEADER -> sides ? "\\headerr" : "\\header";
            case EVEN_HEADER -> "\\headerl";
            case FIRST_FOOTER -> "\\footerf";
            case FOOTER -> sides ? "\\footerr" : "\\footer";
            case EVEN_FOOTER -> "\\footerl";
        };
    }
}
