package app.decant.format.rtf;

import app.decant.document.Border;
import app.decant.document.Borders;
import app.decant.document.Cascade;
import app.decant.document.Colour;
import app.decant.document.Comment;
import app.decant.document.Comments;
import app.decant.document.Document;
import app.decant.document.Look;
import app.decant.document.NumberFormat;
import app.decant.document.Numbering;
import app.decant.document.Paragraph;
import app.decant.document.ParagraphProperty.Alignment;
import app.decant.document.ParagraphProperty;
import app.decant.document.Property;
import app.decant.document.Style;
import app.decant.document.StyleSheet;
import app.decant.document.TextProperty;
import app.decant.document.TrackedChange;
import app.decant.format.NumberCodes;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Set;
import java.util.Objects;
import java.util.TreeMap;

/** What the head of a file tells: fonts, colours, styles, lists. */
final class RtfTables {
    private static final Look PLAIN_PARAGRAPH = Look.of(ParagraphProperty.LIST, new ParagraphProperty.ListReference(null, 0))
            .with(ParagraphProperty.INDENT_START, 0.0).with(ParagraphProperty.INDENT_END, 0.0).with(ParagraphProperty.FIRST_LINE, 0.0)
            .with(ParagraphProperty.SPACE_BEFORE, 0.0).with(ParagraphProperty.SPACE_AFTER, 0.0).with(ParagraphProperty.ALIGNMENT, Alignment.START)
                    .with(ParagraphProperty.LINE_SPACING, ParagraphProperty.LineSpacing.SINGLE)
            .with(ParagraphProperty.KEEP_TOGETHER, false).with(ParagraphProperty.KEEP_WITH_NEXT, false).with(ParagraphProperty.PAGE_BREAK_BEFORE, false)
                    .with(ParagraphProperty.CONTEXTUAL_SPACING, false)
            .with(ParagraphProperty.BORDERS, Borders.all(Border.NONE)).with(ParagraphProperty.SHADING, Colour.AUTOMATIC);
    private static final Look PLAIN_TEXT = Look.of(TextProperty.BOLD, false).with(TextProperty.ITALIC, false).with(TextProperty.STRIKE, false)
            .with(TextProperty.UNDERLINE, TextProperty.Underline.NONE).with(TextProperty.SMALL_CAPITALS, false)
            .with(TextProperty.CAPITALS, false).with(TextProperty.HIDDEN, false).with(TextProperty.COLOUR, Colour.AUTOMATIC).with(TextProperty.SIZE, 12.0)
                    .with(TextProperty.SCRIPT, TextProperty.Script.BASELINE).with(TextProperty.LETTER_SPACING, 0.0)
            .with(TextProperty.WIDTH_SCALE, 1.0);

    private final Map<Integer, String> fonts = new HashMap<>();
    private final Set<Integer> pictorial = new HashSet<>();
    private final List<Integer> colours = new ArrayList<>();
    private final Map<Integer, String> styleIds = new HashMap<>();
    private final Map<Integer, Integer> parents = new HashMap<>();
    private final Map<Integer, Integer> nexts = new HashMap<>();
    private final Map<Integer, Style> styles = new LinkedHashMap<>();
    /** Lists of styles, which are told before the lists themselves. */
    private final Map<Integer, int[]> styleLists = new HashMap<>();
    private final Map<String, Numbering.Pattern> patterns = new LinkedHashMap<>();
    private final Map<String, Numbering.NumberedList> lists = new LinkedHashMap<>();
    private final Map<String, Look> known = new HashMap<>();
    private List<Numbering.Level> levels = new ArrayList<>();
    private String listId = "";
    private LevelTold level;
    private String overrideList = "";
    private int overrideNumber;
    private final Map<Integer, Integer> overrideStarts = new TreeMap<>();
    private final Map<Integer, Numbering.Level> overrideLevels = new TreeMap<>();
    private int overrideLevel = -1;
    private int nextOverride;
    private boolean overridesStart;
    private boolean letters;
    private StyleSheet sheet;
    private List<String> authors = List.of();
    private final Map<Integer, Comment> comments = new HashMap<>();
    /** Who makes the next comment. */
    String commentAuthor = "";

    void authors(String told) { authors = List.of(told.split(";")); }

    /** A change whose authors are told by their numbers, by their names. */
    TrackedChange named(TrackedChange change) { return new TrackedChange(named(change.insertion()), named(change.deletion())); }

    private TrackedChange.Mark named(TrackedChange.Mark mark) {
        if (mark == null) return null;
        int number = Integer.parseInt(mark.author());
        boolean known = number >= 0 && number < authors.size() && !authors.get(number).equals("Unknown");
        return new TrackedChange.Mark(known ? authors.get(number).strip() : "", mark.when());
    }

    void comment(int number, Comment comment) { comments.put(number, comment); }

    /** Where a comment reaches is told before what it says; this stands for it until then. */
    static Comment awaited(int number) { return Comment.of(number, new Comment.Remark("", null, "")); }

    /** The document with the comments that were awaited. */
    Document withComments(Document document) {
        Map<Comment, Comment> others = new HashMap<>();
        for (Comment awaited : Comments.borne(document).keySet()) if (awaited.equals(awaited(awaited.number())))
            others.put(awaited, comments.get(awaited.number()));
        return others.isEmpty() ? document : Comments.replaced(document, others);
    }

    private static final class LevelTold {
        int format;
        int start = 1;
        int follow;
        boolean never;
        boolean legal;
        int standing;
        String text = "";
        String numbers = "";
    }

    void font(int number, String name) {
        String plain = name.replace(";", "").strip();
        if (!plain.isEmpty()) fonts.put(number, plain);
    }

    void pictorial(int number) { pictorial.add(number); }

    boolean isPictorial(int number) { return pictorial.contains(number); }

    String family(int number) { return fonts.getOrDefault(number, fonts.isEmpty() ? "Times New Roman" : fonts.values().iterator().next()); }

    void colour(RtfState state) { colours.add(state.takeColour()); }

    Colour colour(int number) { return number < 0 || number >= colours.size() || colours.get(number) < 0 ? Colour.AUTOMATIC : new Colour(colours.get(number)); }

    String styleId(int number) { return styleIds.get(number); }

    /** A word of a style, a list level or a list; false where it says how things look. */
    boolean word(String word, int value, boolean has, RtfState state) {
        switch (word) {
            case "s", "cs", "ds", "ts" -> {
                if (state.opened != RtfState.Opened.STYLE) return false;
                state.number = value;
                letters = word.equals("cs");
                state.isOtherStyle = word.equals("ds") || word.equals("ts");
            }
            case "sbasedon" -> parents.put(state.number, value);
            case "snext" -> nexts.put(state.number, value);
            case "listid" -> {
                if (state.opened == RtfState.Opened.OVERRIDE) overrideList = String.valueOf(value);
                else listId = String.valueOf(value);
            }
            case "ls" -> {
                if (state.opened != RtfState.Opened.OVERRIDE) return false;
                overrideNumber = value;
            }
            case "levelnfc", "levelnfcn" -> {
                if (level != null) level.format = value;
            }
            case "levelstartat" -> {
                if (state.opened == RtfState.Opened.OVERRIDE_LEVEL) overrideStarts.put(overrideLevel, value);
                else if (level != null) level.start = value;
            }
            case "listoverridestartat" -> overridesStart = true;
            case "levelfollow" -> {
                if (level != null) level.follow = value;
            }
            case "leveljc", "leveljcn" -> {
                if (level != null) level.standing = value;
            }
            case "levellegal" -> {
                if (level != null) level.legal = value == 1;
            }
            case "levelnorestart" -> {
                if (level != null) level.never = value == 1;
            }
            default -> {
                return false;
            }
        }
        return true;
    }

    void style(RtfState state) {
        String name = state.text.toString().replace(";", "").strip();
        if (state.isOtherStyle || name.isEmpty()) return;
        String id = id(state.number, name);
        styleIds.put(state.number, id);
        boolean paragraph = !letters;
        Look look = state.letters.without(TextProperty.STYLE).over(paragraph ? state.paragraphLook(this) : Look.PLAIN);
        if (paragraph && state.list > 0) styleLists.put(state.number, new int[] {state.list, state.level});
        styles.put(state.number, new Style(id, name.split(",", 2)[0], paragraph ? Style.Kind.PARAGRAPH : Style.Kind.CHARACTER, null, null, look));
        letters = false;
        sheet = null;
    }

    private String id(int number, String name) {
        StringBuilder id = new StringBuilder();
        for (String word : name.split(",", 2)[0].split("[^\\p{L}\\p{N}]+"))
            if (!word.isEmpty()) id.append(word.substring(0, 1).toUpperCase(Locale.ROOT)).append(word.substring(1));
        String plain = id.isEmpty() ? "Style" + number : id.toString();
        return styleIds.containsValue(plain) ? plain + number : plain;
    }

    /** Styles say all they hold; what their parent says as well is left to it. */
    StyleSheet styles() {
        if (sheet != null) return sheet;
        Map<String, Style> all = new LinkedHashMap<>();
        for (Map.Entry<Integer, Style> entry : styles.entrySet()) {
            Style style = entry.getValue();
            Integer parent = parents.get(entry.getKey());
            String base = parent == null || parent.equals(entry.getKey()) ? null : styleIds.get(parent);
            String next = nexts.containsKey(entry.getKey()) && !nexts.get(entry.getKey()).equals(entry.getKey()) ? styleIds.get(nexts.get(entry.getKey()))
                    : null;
            Look look = style.look();
            int[] list = styleLists.get(entry.getKey());
            if (list != null && knowsList(list[0]))
                look = look.with(ParagraphProperty.LIST, new ParagraphProperty.ListReference(String.valueOf(list[0]), list[1]));
            all.put(style.id(), new Style(style.id(), style.name(), style.kind(), base, next, look));
        }
        Look defaults = Look.of(TextProperty.FAMILY, family(0)).with(TextProperty.SIZE, 12.0);
        sheet = new StyleSheet(defaults, styleIds.get(0), null, all);
        return sheet;
    }

    /** What a paragraph or a run says beyond its style: files say both in one. */
    Look beyond(Look said, String style, boolean paragraph) {
        Look below = known.computeIfAbsent(style + (paragraph ? "/p" : "/t"), key -> {
            Cascade cascade = new Cascade(styles(), numbering());
            Paragraph empty = new Paragraph(style, Look.PLAIN, Look.PLAIN, List.of());
            return paragraph ? cascade.paragraph(empty) : cascade.text(empty, Look.PLAIN);
        });
        Look own = said.over(unsaid(below, paragraph));
        for (Property<?> property : own.properties()) if (Objects.equals(own.get(property), below.get(property))) own = own.without(property);
        return own;
    }

    /** What a style says and a paragraph or run does not is put back: words count from nothing on, not from the style (RTF 1.9.1, \\pard and \\plain). */
    private Look unsaid(Look style, boolean paragraph) {
        Look look = Look.PLAIN;
        Look plain = paragraph ? PLAIN_PARAGRAPH : PLAIN_TEXT.with(TextProperty.FAMILY, family(0));
        for (Property<?> property : plain.properties()) if (style.says(property)) look = put(look, property, plain);
        return look;
    }

    private static <T> Look put(Look look, Property<T> property, Look from) { return look.with(property, from.get(property)); }

    Numbering numbering() { return new Numbering(patterns, lists); }
    boolean knowsList(int number) { return lists.containsKey(String.valueOf(number)); }

    void beginList() {
        levels = new ArrayList<>();
        listId = "";
    }

    void endList() { if (!levels.isEmpty()) patterns.put(listId, new Numbering.Pattern(listId, levels)); }

    void beginLevel() { level = new LevelTold(); }
    void levelText(String text) { if (level != null) level.text = text; }
    void levelNumbers(String text) { if (level != null) level.numbers = text; }

    void endLevel(RtfState state) {
        if (level == null) return;
        NumberFormat format = NumberCodes.format(level.format);
        // The first character tells the length; characters below nine stand for counts.
        String told = level.text.isEmpty() ? "" : level.text.substring(1).replaceFirst(";$", "");
        int length = level.text.isEmpty() ? 0 : level.text.charAt(0);
        String label = NumberCodes.label(format, told.substring(0, Math.min(told.length(), Math.max(0, length))));
        Numbering.Suffix suffix = level.follow == 0 ? Numbering.Suffix.TAB : level.follow == 1 ? Numbering.Suffix.SPACE : Numbering.Suffix.NOTHING;
        Look look = state.letters.over(state.paragraphLook(this));
        Numbering.Level made = new Numbering.Level(format, level.start, label, suffix, level.never ? (Integer) 0 : null, null, look,
                level.legal, NumberCodes.standing(level.standing));
        if (overrideLevel >= 0) overrideLevels.put(overrideLevel, made);
        else levels.add(made);
        level = null;
    }

    void beginOverride() {
        overrideList = "";
        overrideNumber = 0;
        overrideStarts.clear();
        overrideLevels.clear();
        overrideLevel = -1;
        nextOverride = 0;
    }

    void beginOverrideLevel() {
        overrideLevel = nextOverride++;
        overridesStart = false;
    }

    void endOverrideLevel() {
        if (!overridesStart && !overrideLevels.containsKey(overrideLevel)) overrideStarts.remove(overrideLevel);
        overrideLevel = -1;
    }

    void endOverride() {
        if (patterns.containsKey(overrideList))
            lists.put(String.valueOf(overrideNumber), new Numbering.NumberedList(String.valueOf(overrideNumber), overrideList, Map.copyOf(overrideStarts),
                    Map.copyOf(overrideLevels)));
    }
}
