package app.decant.format.rtf;

import app.decant.document.Block;
import app.decant.document.Comment;
import app.decant.document.DecantException.Kind;
import app.decant.document.DecantException;
import app.decant.document.Document;
import app.decant.document.Facts;
import app.decant.document.Finding;
import app.decant.document.Paragraph;
import app.decant.document.Progress;
import app.decant.document.Section.FramePlace;
import app.decant.document.Section;
import app.decant.document.StyleSheet;
import app.decant.format.AutomaticSpace;
import app.decant.format.Languages;
import app.decant.format.PartedWords;
import app.decant.format.Taken;
import app.decant.words.Message;
import com.rtfparserkit.parser.IRtfListener;
import com.rtfparserkit.parser.RtfStreamSource;
import com.rtfparserkit.rtf.Command;
import java.io.ByteArrayInputStream;
import java.io.IOException;
import java.time.DateTimeException;
import java.time.Instant;
import java.time.LocalDateTime;
import java.time.ZoneOffset;
import java.util.ArrayDeque;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.Deque;
import java.util.EnumMap;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Set;
import org.slf4j.LoggerFactory;

/** Reads rich text files (RTF 1.9.1). The parser kit takes them apart into words and text; what the words mean is read here, group by group. */
public final class RtfReader implements IRtfListener {
    /** Groups that a reader may pass over, and that are understood here. */
    private static final Set<String> KNOWN_BEHIND_STAR = Set.of("shppict", "cs", "ts", "nesttableprops", "shpinst", "picprop", "fldinst", "bkmkstart",
            "bkmkend", "listtable", "listoverridetable", "company", "footnote");
    private static final Message DAMAGED = Message.of("rtf.damaged");
    /** The character set of fonts that number their signs themselves. */
    private static final int SYMBOLS = 2;
    private static final int DEEPEST = 2000;
    private static final long MOST_EVENTS = 200_000_000;

    private final Progress progress;
    private final Deque<RtfState> states = new ArrayDeque<>();
    private final RtfTables tables = new RtfTables();
    private final List<Finding> findings = new ArrayList<>();
    private final List<Section> sections = new ArrayList<>();
    private final RtfSection section = new RtfSection();
    private final Map<String, String> facts = new HashMap<>();
    private final Map<String, Instant> times = new HashMap<>();
    private Map<FramePlace, List<Block>> frames = new EnumMap<>(FramePlace.class);
    private RtfStoryReading body = new RtfStoryReading(tables);
    private RtfState state = new RtfState(RtfState.Where.TEXT, body);
    private boolean starred;
    private long events;
    private int comments;

    private RtfReader(Progress progress) { this.progress = progress; }

    /**
     * Reads a file.
     *
     * @throws DecantException where it can't be read
     */
    public static Taken read(byte[] file, String name, Progress progress) {
        RtfReader reader = new RtfReader(progress);
        try {
            byte[] whole = whole(file);
            if (whole != file) reader.findings.add(Finding.lost(DAMAGED));
            new FallbackParser().parse(new RtfStreamSource(new ByteArrayInputStream(whole)), reader);
        } catch (IOException | RuntimeException e) {
            if (e instanceof DecantException told && told.kind() == Kind.CANCELLED) throw told;
            LoggerFactory.getLogger(RtfReader.class).info("{} breaks off", name, e);
            if (reader.body.isEmpty() && reader.sections.isEmpty())
                throw new DecantException(Kind.UNREADABLE, Message.of("rtf.is-damaged-and-cannot-be-opened", name), e);
            if (reader.findings.stream().noneMatch(finding -> finding.message().equals(DAMAGED))) reader.findings.add(Finding.lost(DAMAGED));
        }
        return reader.document();
    }

    /** The file up to binary data that is said to be longer than the file itself, its groups closed: memory is never asked for on the word of a number. */
    private static byte[] whole(byte[] file) {
        int open = 0;
        for (int i = 0; i < file.length; i++) {
            if (file[i] == '{') open++;
            else if (file[i] == '}') open--;
            if (file[i] != '\\' || i + 1 == file.length) continue;
            i++;
            if (file[i] != 'b' || i + 3 >= file.length || file[i + 1] != 'i' || file[i + 2] != 'n' || file[i + 3] < '0' || file[i + 3] > '9') continue;
            int start = i - 1;
            long length = 0;
            int at = i + 3;
            while (at < file.length && file[at] >= '0' && file[at] <= '9' && length <= file.length) length = length * 10 + file[at++] - '0';
            if (length > file.length - at) {
                byte[] cut = Arrays.copyOf(file, start + Math.max(0, open));
                Arrays.fill(cut, start, cut.length, (byte) '}');
                return cut;
            }
            // One space ends the word and is no data.
            i = at + (int) length - (at < file.length && file[at] == ' ' ? 0 : 1);
        }
        return file;
    }

    private Taken document() {
        endSection();
        String title = facts.get("title");
        Facts all = new Facts(title, facts.get("subject"), facts.get("author"), facts.get("keywords"), facts.get("language"), times.get("creatim"),
                times.get("revtim"), facts.containsKey("company") ? Map.of("Company", facts.get("company")) : Map.of());
        StyleSheet styles = tables.styles();
        if (section.parts()) styles = PartedWords.parted(styles, section.partedLines(), section.partingZone());
        Document document = new Document(all, styles, tables.numbering(), sections, section.facing(), section.tab(), List.of());
        return new Taken(AutomaticSpace.between(tables.withComments(document)), findings);
    }

    /** Times are told without their zone; they are those of an unknown desk, and taken as they stand. */
    private static Instant time(Map<String, Integer> told) {
        try {
            return LocalDateTime.of(told.getOrDefault("yr", 0), told.getOrDefault("mo", 1), told.getOrDefault("dy", 1), told.getOrDefault("hr", 0),
                    told.getOrDefault("min", 0), told.getOrDefault("sec", 0)).toInstant(ZoneOffset.UTC);
        } catch (DateTimeException e) {
            LoggerFactory.getLogger(RtfReader.class).info("A time that is none: {}", told, e);
            return null;
        }
    }

    private void endSection() {
        List<Block> blocks = body.blocks();
        if (blocks.isEmpty() && !sections.isEmpty()) return;
        sections.add(section.of(frames, blocks.isEmpty() ? List.of(Paragraph.of("")) : blocks, tables));
        frames = new EnumMap<>(FramePlace.class);
        body.clear();
    }

    @Override public void processDocumentStart() { }
    @Override public void processDocumentEnd() { }

    @Override public void processGroupStart() {
        count();
        if (states.size() > DEEPEST) throw new DecantException(Kind.UNREADABLE, Message.of("rtf.groups-within-groups-without-end"));
        if (starred) state.where = RtfState.Where.SKIP;
        states.push(state);
        state = state.inner();
        starred = false;
    }

    @Override public void processGroupEnd() {
        RtfState ended = state;
        if (states.isEmpty()) return;
        state = states.pop();
        starred = false;
        if (ended.opened != null) end(ended);
        else if (state.opened == RtfState.Opened.AUTHORS) state.text.append(ended.text);
    }

    /** What a group was opened for is complete. */
    private void end(RtfState ended) {
        switch (ended.opened) {
            case FONT -> tables.font(ended.number, ended.text.toString());
            case STYLE -> tables.style(ended);
            case LIST_TEXT -> tables.levelText(ended.text.toString());
            case LIST_NUMBERS -> tables.levelNumbers(ended.text.toString());
            case LIST_LEVEL -> tables.endLevel(ended);
            case LIST -> tables.endList();
            case OVERRIDE -> tables.endOverride();
            case OVERRIDE_LEVEL -> tables.endOverrideLevel();
            case FACT -> {
                if (!ended.text.toString().isBlank()) facts.put(ended.name, ended.text.toString().strip());
            }
            case TIME -> times.put(ended.name, time(ended.time));
            case FIELD -> state.story.endField(ended.look());
            case RESULT, INSTRUCTION -> { }
            case PICTURE -> {
                if (state.shape != null && !state.inBox) state.shape.picture = ended.picture.picture();
                else state.story.picture(ended.picture.picture(), ended.look());
            }
            case NOTE -> state.story.note(ended.story.blocks(), ended.number == 1, state.look());
            case FRAME -> frames.put(FramePlace.valueOf(ended.name), ended.story.blocks());
            case BOOKMARK_START -> state.story.bookmark(ended.text.toString().strip(), true);
            case BOOKMARK_END -> state.story.bookmark(ended.text.toString().strip(), false);
            case FORM -> state.story.form(ended.form.told());
            case FORM_NAME -> {
                if (ended.form != null) ended.form.name = ended.text.toString().strip();
            }
            case FORM_CHOICE -> {
                if (ended.form != null) ended.form.choices.add(ended.text.toString().replaceAll("^[\\s]+|[\\s]+$", ""));
            }
            case AUTHORS -> tables.authors(ended.text.toString());
            case COMMENT_START -> state.story.beginComment(RtfComment.number(ended.text));
            case COMMENT_END -> state.story.endComment(RtfComment.number(ended.text));
            case COMMENT_AUTHOR -> tables.commentAuthor = ended.text.toString();
            case COMMENT_NUMBER -> {
                if (ended.comment != null) ended.comment.number = RtfComment.number(ended.text);
            }
            case COMMENT_TIME -> {
                if (ended.comment != null) ended.comment.time = RtfComment.number(ended.text);
            }
            case COMMENT -> comment(ended);
            case SHAPE -> {
                if (!ended.shape.isGroup) state.story.floating(ended.shape, state.look(), findings);
            }
            case SHAPE_NAME -> ended.shape.name = ended.text.toString().strip();
            case SHAPE_VALUE -> ended.shape.properties.put(ended.shape.name, ended.text.toString().strip());
            case SHAPE_TEXT -> ended.shape.blocks = ended.story.blocks();
            case COLOURS, SKIP -> { }
        }
    }

    private void comment(RtfState ended) {
        Comment comment = ended.comment.of(ended.story.blocks(), tables.commentAuthor, ++comments);
        tables.commentAuthor = "";
        if (ended.comment.number >= 0) tables.comment(ended.comment.number, comment);
        else state.story.mark(comment);
    }

    @Override public void processCharacterBytes(byte[] bytes) { count(); }

    @Override public void processBinaryBytes(byte[] bytes) {
        count();
        if (state.picture != null && state.where == RtfState.Where.PICTURE) state.picture.bytes(bytes);
    }

    @Override public void processString(String text) {
        count();
        if (starred) state.where = RtfState.Where.SKIP;
        starred = false;
        switch (state.where) {
            case TEXT -> state.story.text(state.pictorial ? RtfText.signs(text) : text, state.look());
            case COLOURS -> {
                if (text.contains(";")) tables.colour(state);
            }
            case GATHER -> state.text.append(text);
            case INSTRUCTION -> state.story.instruct(text);
            case PICTURE -> state.picture.hex(text);
            case SKIP -> { }
        }
    }

    private void count() {
        if (++events > MOST_EVENTS) throw new DecantException(Kind.UNREADABLE, Message.of("rtf.more-than-any-real-file-holds"));
        if (events % 5_000 == 1) progress.step((int) (events / 5_000), 0, Message.of("step.reading"));
    }

    @Override public void processCommand(Command command, int parameter, boolean has, boolean optional) {
        count();
        String word = command.getCommandName();
        if (word.equals("*")) {
            starred = true;
            return;
        }
        // The parser tells the star itself before words that it knows, and as a word of its own before others.
        boolean star = starred || optional;
        starred = false;
        if (state.where == RtfState.Where.SKIP) return;
        if (opens(word, parameter, has)) return;
        if (star && !KNOWN_BEHIND_STAR.contains(word)) {
            state.where = RtfState.Where.SKIP;
            return;
        }
        int value = has ? parameter : 1;
        if (word.equals("deflang") && Languages.code(parameter) != null) facts.put("language", Languages.code(parameter));
        switch (state.where) {
            case TEXT -> {
                if (word.equals("sect")) {
                    state.story.endParagraph(state, tables);
                    endSection();
                } else if (!section.word(word, parameter, has) && !state.word(word, parameter, has, tables)) {
                    state.story.word(word, value, state, tables);
                }
            }
            case COLOURS -> state.colour(word, parameter);
            case GATHER -> {
                if (state.time != null) state.time.put(word, parameter);
                if (state.form != null) state.form.word(word, parameter);
                if (state.opened == RtfState.Opened.FONT || state.opened == RtfState.Opened.STYLE || state.opened == RtfState.Opened.LIST_LEVEL
                        || state.opened == RtfState.Opened.LIST || state.opened == RtfState.Opened.OVERRIDE || state.opened == RtfState.Opened.OVERRIDE_LEVEL) {
                    if (!tables.word(word, parameter, has, state)) state.word(word, parameter, has, tables);
                }
            }
            case PICTURE -> state.picture.word(word, parameter);
            case INSTRUCTION, SKIP -> { }
        }
        if (state.shape != null && !state.inBox) state.shape.word(word, parameter);
    }

    /** Words that give a group its purpose. */
    private boolean opens(String word, int parameter, boolean has) {
        switch (word) {
            case "fonttbl" -> state.open(null, RtfState.Where.GATHER).fonts = true;
            case "colortbl" -> state.open(RtfState.Opened.COLOURS, RtfState.Where.COLOURS);
            case "stylesheet" -> state.open(null, RtfState.Where.GATHER).sheet = true;
            case "listtable", "listoverridetable" -> state.open(null, RtfState.Where.GATHER);
            case "list" -> {
                state.open(RtfState.Opened.LIST, RtfState.Where.GATHER);
                tables.beginList();
            }
            case "listlevel" -> {
                state.open(RtfState.Opened.LIST_LEVEL, RtfState.Where.GATHER).plain();
                tables.beginLevel();
            }
            case "leveltext" -> state.open(RtfState.Opened.LIST_TEXT, RtfState.Where.GATHER);
            case "levelnumbers" -> state.open(RtfState.Opened.LIST_NUMBERS, RtfState.Where.GATHER);
            case "listoverride" -> {
                state.open(RtfState.Opened.OVERRIDE, RtfState.Where.GATHER);
                tables.beginOverride();
            }
            case "lfolevel" -> {
                state.open(RtfState.Opened.OVERRIDE_LEVEL, RtfState.Where.GATHER);
                tables.beginOverrideLevel();
            }
            case "info" -> state.open(null, RtfState.Where.GATHER);
            case "title", "subject", "author", "keywords", "company" -> state.open(RtfState.Opened.FACT, RtfState.Where.GATHER).name = word;
            case "creatim", "revtim" -> {
                state.open(RtfState.Opened.TIME, RtfState.Where.GATHER).name = word;
                state.time = new HashMap<>();
            }
            case "field" -> {
                state.open(RtfState.Opened.FIELD, RtfState.Where.TEXT);
                state.story.beginField();
            }
            case "fldinst" -> state.open(RtfState.Opened.INSTRUCTION, RtfState.Where.INSTRUCTION);
            case "fldrslt" -> {
                state.open(RtfState.Opened.RESULT, RtfState.Where.TEXT);
                state.story.separateField();
            }
            case "pict" -> state.open(RtfState.Opened.PICTURE, RtfState.Where.PICTURE).picture = new RtfPicture();
            case "shppict", "picprop" -> {
                if (word.equals("picprop")) state.where = RtfState.Where.SKIP;
            }
            case "footnote" -> {
                state.open(RtfState.Opened.NOTE, RtfState.Where.TEXT).story = new RtfStoryReading(tables);
                state.plain();
            }
            case "ftnalt" -> state.number = 1;
            case "header", "headerr", "headerl", "headerf", "footer", "footerr", "footerl", "footerf" -> {
                String kind = word.startsWith("header") ? "HEADER" : "FOOTER";
                String place = word.endsWith("erf") ? "FIRST_" + kind : word.endsWith("erl") ? "EVEN_" + kind : kind;
                state.open(RtfState.Opened.FRAME, RtfState.Where.TEXT).name = place;
                state.story = new RtfStoryReading(tables);
                state.plain();
            }
            case "formfield" -> {
                state.open(RtfState.Opened.FORM, RtfState.Where.GATHER);
                state.form = new RtfForm();
            }
            case "ffname" -> state.open(RtfState.Opened.FORM_NAME, RtfState.Where.GATHER);
            case "ffl" -> state.open(RtfState.Opened.FORM_CHOICE, RtfState.Where.GATHER);
            case "ffdeftext", "ffformat", "ffhelptext", "ffstattext", "ffentrymcr", "ffexitmcr" -> state.where = RtfState.Where.SKIP;
            case "revtbl" -> state.open(RtfState.Opened.AUTHORS, RtfState.Where.GATHER);
            case "atrfstart" -> state.open(RtfState.Opened.COMMENT_START, RtfState.Where.GATHER);
            case "atrfend" -> state.open(RtfState.Opened.COMMENT_END, RtfState.Where.GATHER);
            case "atnauthor" -> state.open(RtfState.Opened.COMMENT_AUTHOR, RtfState.Where.GATHER);
            case "annotation" -> {
                state.open(RtfState.Opened.COMMENT, RtfState.Where.TEXT).story = new RtfStoryReading(tables);
                state.comment = new RtfComment();
                state.plain();
            }
            case "atnref" -> state.open(RtfState.Opened.COMMENT_NUMBER, RtfState.Where.GATHER);
            case "atndate" -> state.open(RtfState.Opened.COMMENT_TIME, RtfState.Where.GATHER);
            case "bkmkstart" -> state.open(RtfState.Opened.BOOKMARK_START, RtfState.Where.GATHER);
            case "bkmkend" -> state.open(RtfState.Opened.BOOKMARK_END, RtfState.Where.GATHER);
            case "shp", "shpgrp" -> {
                RtfShape group = state.shape != null && state.shape.isGroup ? state.shape : null;
                state.open(RtfState.Opened.SHAPE, RtfState.Where.TEXT).shape = new RtfShape(group, word.equals("shpgrp"));
                state.inBox = false;
            }
            case "shpinst", "sp" -> { }
            case "sn" -> state.open(RtfState.Opened.SHAPE_NAME, RtfState.Where.GATHER);
            case "sv" -> state.open(RtfState.Opened.SHAPE_VALUE, RtfState.Where.GATHER);
            case "shptxt" -> {
                RtfShape shape = state.shape;
                state.open(RtfState.Opened.SHAPE_TEXT, RtfState.Where.TEXT).story = new RtfStoryReading(tables);
                state.plain();
                state.shape = shape;
                state.inBox = true;
            }
            case "shprslt", "nonshppict", "objdata", "objclass", "listtext", "pntext", "nonesttables", "listpicture", "xmlnstbl", "rsidtbl", "generator",
                    "latentstyles", "themedata", "colorschememapping", "datastore", "mmathPr", "atnid",
                    "pgptbl", "filetbl", "datafield", "operator", "printim", "buptim", "doccomm", "hlinkbase", "userprops",
                         "docvar", "listname", "panose", "falt", "background", "ftnsep", "ftnsepc", "aftnsep", "aftnsepc", "ftncn", "aftncn", "tc", "xe" -> {
                state.where = RtfState.Where.SKIP;
            }
            default -> {
                // A font or a style opens its group by its number.
                if (state.fonts && word.equals("f") && has) {
                    state.open(RtfState.Opened.FONT, RtfState.Where.GATHER).number = parameter;
                    return true;
                }
                if (state.opened == RtfState.Opened.FONT && word.equals("fcharset")) {
                    if (parameter == SYMBOLS) tables.pictorial(state.number);
                    return true;
                }
                if (state.sheet && state.opened == null) {
                    state.open(RtfState.Opened.STYLE, RtfState.Where.GATHER).plain();
                    return tables.word(word, parameter, has, state) || state.word(word, parameter, has, tables);
                }
                return false;
            }
        }
        return true;
    }
}
