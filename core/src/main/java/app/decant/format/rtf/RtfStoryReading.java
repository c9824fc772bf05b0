package app.decant.format.rtf;

import app.decant.document.Block;
import app.decant.document.Border;
import app.decant.document.Borders;
import app.decant.document.Comment;
import app.decant.document.Contents;
import app.decant.document.Finding;
import app.decant.document.Inline;
import app.decant.document.Look;
import app.decant.document.Paragraph;
import app.decant.document.ParagraphProperty.Alignment;
import app.decant.document.Picture;
import app.decant.document.TableProperty.Insets;
import app.decant.document.TableProperty.Running;
import app.decant.document.TableProperty.VerticalAlignment;
import app.decant.document.TableProperty;
import app.decant.document.TextProperty.Script;
import app.decant.document.TextProperty;
import app.decant.document.TrackedChange;
import app.decant.format.CommentRanges;
import app.decant.format.FieldStack;
import app.decant.format.FormTold;
import app.decant.format.RowGrid;
import app.decant.words.Message;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.IdentityHashMap;
import java.util.List;
import java.util.Map;

/** One story as it is read: the body, a header, a note, a box. Rows are complete when their end comes, tables when something else follows. */
final class RtfStoryReading {
    private final RtfTables tables;
    private final List<Level> levels = new ArrayList<>(List.of(new Level()));
    private final FieldStack fields = new FieldStack();
    private final CommentRanges comments = new CommentRanges();
    private final Map<Paragraph, String> contents = new IdentityHashMap<>();
    private List<Inline> inlines = new ArrayList<>();
    private RowTold row = new RowTold();
    private RowTold nestedRow = new RowTold();
    private boolean inNested;
    private String began;

    RtfStoryReading(RtfTables tables) {
        this.tables = tables;
    }

    /** What is being built at one depth of tables. */
    private static final class Level {
        List<Block> blocks = new ArrayList<>();
        List<List<Block>> cells = new ArrayList<>();
        RowGrid grid = new RowGrid();
        Look look = Look.PLAIN;
    }

    /** What words say of a row and its cells. */
    private static final class RowTold {
        int left;
        int gap = 108;
        final RtfPlace place = new RtfPlace();
        Look look = Look.PLAIN;
        Alignment alignment;
        boolean fitted;
        final int[] padding = {-1, -1, -1, -1};
        final List<CellTold> cells = new ArrayList<>();
        CellTold cell = new CellTold();
        final RtfBorders borders = new RtfBorders();
        RtfBorders side;
    }

    private static final class CellTold {
        int right;
        boolean begins;
        boolean continues;
        boolean joined;
        int colour = -1;
        VerticalAlignment vertical;
        Running running;
        final int[] padding = {-1, -1, -1, -1};
        final RtfBorders borders = new RtfBorders();
    }

    boolean isEmpty() { return levels.get(0).blocks.isEmpty() && inlines.isEmpty(); }

    void clear() {
        levels.clear();
        levels.add(new Level());
        contents.clear();
    }

    /** All blocks; a paragraph without its end is taken as it is. */
    List<Block> blocks() {
        if (!inlines.isEmpty()) paragraph(new RtfState(RtfState.Where.TEXT, this), 0);
        close(0);
        return Contents.grouped(new ArrayList<>(levels.get(0).blocks), contents);
    }

    void text(String text, Look look) {
        if (fields.isInInstruction()) {
            fields.instruct(text);
            return;
        }
        String plain = text.replace("\r", "").replace("\n", "").replaceAll("[\\x00-\\x08\\x0E-\\x1F]", "");
        if (!plain.isEmpty()) fields.put(new Inline.Text(plain, comments.on(look)), inlines);
    }

    void instruct(String text) { fields.instruct(text); }
    void beginField() { fields.begin(); }

    void form(FormTold told) { fields.form(told); }

    void separateField() {
        if (fields.separate()) began = fields.contents();
    }

    void endField(Look look) {
        if (fields.isInInstruction()) fields.separate();
        fields.end(look, inlines);
    }

    void picture(Picture picture, Look look) { if (picture != null) fields.put(new Inline.InlinePicture(picture, comments.on(look)), inlines); }

    void bookmark(String name, boolean start) { if (!name.isEmpty()) fields.put(new Inline.BookmarkPoint(name, start), inlines); }

    void floating(RtfShape shape, Look look, List<Finding> told) {
        List<Inline> made = shape.floating(look);
        for (Inline one : made) fields.put(one, inlines);
        if (made.isEmpty() && shape.isVisible()) told.add(Finding.lost(Message.of("binary.a-drawn-shape-is-left")));
    }

    /** A note; the raised sign before it is its mark. */
    void note(List<Block> blocks, boolean end, Look look) {
        Inline.Note.Kind kind = end ? Inline.Note.Kind.ENDNOTE : Inline.Note.Kind.FOOTNOTE;
        String mark = null;
        Look shown = look;
        if (!inlines.isEmpty() && inlines.get(inlines.size() - 1) instanceof Inline.Field sign && sign.kind() == Inline.Field.Kind.NOTE_MARK) {
            shown = inlines.remove(inlines.size() - 1).look();
        } else if (!inlines.isEmpty() && inlines.get(inlines.size() - 1) instanceof Inline.Text text && text.text().length() <= 3 && text.look()
                .get(TextProperty.SCRIPT) == Script.SUPER) {
            inlines.remove(inlines.size() - 1);
            mark = text.text();
            shown = text.look();
        }
        fields.put(new Inline.Note(kind, blocks, mark, shown), inlines);
    }

    /** Words that stand for something in the text, end something, or say what rows are like. */
    void word(String word, int value, RtfState state, RtfTables told) {
        Look look = state.look();
        switch (word) {
            case "par" -> endParagraph(state, told);
            case "tab" -> text("\t", look);
            case "line", "softline" -> put(String.valueOf(Inline.LINE_BREAK), look);
            case "page" -> put(String.valueOf(Inline.PAGE_BREAK), look);
            case "column" -> put(String.valueOf(Inline.COLUMN_BREAK), look);
            case "~" -> text("\u00A0", look);
            case "-" -> text("\u00AD", look);
            case "_" -> text("\u2011", look);
            case "emdash" -> text("\u2014", look);
            case "endash" -> text("\u2013", look);
            case "bullet" -> text("\u2022", look);
            case "lquote" -> text("\u2018", look);
            case "rquote" -> text("\u2019", look);
            case "ldblquote" -> text("\u201C", look);
            case "rdblquote" -> text("\u201D", look);
            case "emspace" -> text("\u2003", look);
            case "enspace" -> text("\u2002", look);
            case "chftn" -> fields.put(new Inline.Field(Inline.Field.Kind.NOTE_MARK, "", "", look), inlines);
            case "chpgn" -> fields.put(new Inline.Field(Inline.Field.Kind.PAGE, "PAGE", "", look), inlines);
            case "chdate" -> fields.put(new Inline.Field(Inline.Field.Kind.DATE, "DATE", "", look), inlines);
            case "chtime" -> fields.put(new Inline.Field(Inline.Field.Kind.TIME, "TIME", "", look), inlines);
            case "cell" -> endCell(state, 1);
            case "nestcell" -> endCell(state, Math.max(2, state.depth));
            case "row" -> endRow(1);
            case "nestrow" -> endRow(levels.size() - 1);
            default -> row(word, value);
        }
    }

    private void put(String sign, Look look) { fields.put(new Inline.Text(sign, look), inlines); }

    void endParagraph(RtfState state, RtfTables told) { paragraph(state, state.depth); }

    private Paragraph made(RtfState state) {
        boolean entry = began != null || fields.contents() != null;
        String instruction = began != null ? began : fields.contents();
        fields.flush(inlines);
        String style = tables.styleId(state.style);
        List<Inline> own = new ArrayList<>();
        for (Inline inline : inlines) own.add(inline.length() == 0 ? inline : inline.with(beyond(inline.look(), style)));
        Paragraph paragraph = new Paragraph(style, tables.beyond(state.paragraphLook(tables), style, true), beyond(state.look(), style), List.of())
                .withInlines(own).wellFormed();
        paragraph = comments.ended(paragraph);
        inlines = new ArrayList<>();
        began = null;
        if (entry) contents.put(paragraph, instruction);
        return paragraph;
    }

    private Look beyond(Look look, String style) {
        TrackedChange change = look.get(TextProperty.TRACKED);
        return tables.beyond(change == null ? look : look.with(TextProperty.TRACKED, tables.named(change)), style, false);
    }

    void beginComment(int number) { comments.begin(RtfTables.awaited(number)); }
    void endComment(int number) { comments.end(RtfTables.awaited(number)); }

    /** A comment without a range of its own. */
    void mark(Comment comment) { comments.mark(comment, inlines); }

    private void paragraph(RtfState state, int depth) {
        Paragraph paragraph = made(state);
        open(depth);
        levels.get(depth).blocks.add(paragraph);
    }

    /** Makes a depth the innermost one: tables deeper than it are complete. */
    private void open(int depth) {
        close(depth);
        while (levels.size() <= depth) levels.add(new Level());
    }

    private void close(int depth) {
        while (levels.size() > depth + 1) {
            Level ended = levels.remove(levels.size() - 1);
            List<Block> into = levels.get(levels.size() - 1).blocks;
            if (!ended.grid.isEmpty()) into.add(ended.grid.table(ended.look));
            // Cells without the end of their row are damaged; their text is kept.
            for (List<Block> cell : ended.cells) into.addAll(cell);
            into.addAll(ended.blocks);
        }
    }

    private void endCell(RtfState state, int depth) {
        Paragraph paragraph = made(state);
        open(depth);
        Level level = levels.get(depth);
        level.blocks.add(paragraph);
        level.cells.add(level.blocks);
        level.blocks = new ArrayList<>();
    }

    private void endRow(int depth) {
        if (depth < 1 || levels.size() <= depth) return;
        close(depth);
        Level level = levels.get(depth);
        RowTold told = inNested ? nestedRow : row;
        inNested = false;
        if (level.cells.isEmpty()) return;
        Insets padding = padding(told.padding, new Insets(0, told.gap / 20.0, 0, told.gap / 20.0));
        int[] edges = new int[level.cells.size() + 1];
        edges[0] = told.left;
        List<RowGrid.Cell> cells = new ArrayList<>();
        for (int i = 0; i < level.cells.size(); i++) {
            CellTold cell = i < told.cells.size() ? told.cells.get(i) : null;
            edges[i + 1] = cell == null ? edges[i] + 1440 : cell.right;
            cells.add(new RowGrid.Cell(level.cells.get(i), cell == null ? Look.PLAIN : look(cell), cell != null && cell.continues ? RowGrid.Merge.CONTINUES
                    : cell != null && cell.begins ? RowGrid.Merge.BEGINS : RowGrid.Merge.ALONE, cell != null && cell.joined));
        }
        if (level.grid.isEmpty()) {
            double indent = told.left / 20.0 + padding.left();
            level.look = Look.of(TableProperty.PADDING, padding);
            if (Math.abs(indent) >= 0.1) level.look = level.look.with(TableProperty.INDENT, indent);
            level.look = level.look.with(TableProperty.FLOATING, told.place.table());
            if (told.fitted) level.look = level.look.with(TableProperty.FITTED, true);
            if (told.alignment != null) level.look = level.look.with(TableProperty.ALIGNMENT, told.alignment);
        }
        level.grid.row(cells, edges, told.look);
        level.cells = new ArrayList<>();
    }

    private static Insets padding(int[] told, Insets otherwise) {
        double[] sides = {otherwise.top(), otherwise.right(), otherwise.bottom(), otherwise.left()};
        for (int i = 0; i < 4; i++) if (told[i] >= 0) sides[i] = told[i] / 20.0;
        return new Insets(sides[0], sides[1], sides[2], sides[3]);
    }

    private Look look(CellTold cell) {
        Look look = Look.PLAIN;
        if (cell.borders.any()) {
            Borders borders = cell.borders.borders(tables);
            look = look.with(TableProperty.BORDERS, new Borders(or(borders.top()), or(borders.right()), or(borders.bottom()), or(borders.left()), null, null));
        }
        if (cell.colour > 0) look = look.with(TableProperty.SHADING, tables.colour(cell.colour));
        if (cell.running != null) look = look.with(TableProperty.RUNNING, cell.running);
        if (cell.vertical != null) look = look.with(TableProperty.VERTICAL_ALIGNMENT, cell.vertical);
        boolean own = Arrays.stream(cell.padding).anyMatch(side -> side >= 0);
        return own ? look.with(TableProperty.PADDING, padding(cell.padding, new Insets(0, 5.4, 0, 5.4))) : look;
    }

    private static Border or(Border border) { return border == null ? Border.NONE : border; }

    private void row(String word, int value) {
        if (word.equals("nesttableprops")) {
            inNested = true;
            return;
        }
        if (word.equals("trowd")) {
            // A row without words of its own is as the one before.
            if (inNested) nestedRow = new RowTold();
            else row = new RowTold();
            return;
        }
        RowTold row = inNested ? nestedRow : this.row;
        CellTold cell = row.cell;
        if (word.startsWith("clbrdr") || word.startsWith("trbrdr")) row.side = word.startsWith("cl") ? cell.borders : row.borders;
        if (word.startsWith("clbrdr") || word.startsWith("brdr") || word.equals("brsp")) {
            if (row.side != null) row.side.word(word, value);
            return;
        }
        if (RtfPlace.isOfTable(word)) row.place.word(word, value);
        switch (word) {
            case "trleft" -> row.left = value;
            case "trgaph" -> row.gap = value;
            case "trqc" -> row.alignment = Alignment.CENTRE;
            case "trqr" -> row.alignment = Alignment.END;
            case "trautofit" -> row.fitted = value != 0;
            case "trhdr" -> row.look = row.look.with(TableProperty.HEADER_ROW, true);
            case "trkeep" -> row.look = row.look.with(TableProperty.KEEP_ROW, true);
            case "trrh" -> {
                if (value != 0) row.look = row.look.with(TableProperty.ROW_HEIGHT, Math.abs(value / 20.0)).with(TableProperty.ROW_HEIGHT_EXACT, value < 0
                        ? Boolean.TRUE : null);
            }
            case "trpaddt" -> row.padding[0] = value;
            case "trpaddr" -> row.padding[1] = value;
            case "trpaddb" -> row.padding[2] = value;
            case "trpaddl" -> row.padding[3] = value;
            case "clvmgf" -> cell.begins = true;
            case "clvmrg" -> cell.continues = true;
            case "clmrg" -> cell.joined = true;
            case "cltxbtlr" -> cell.running = Running.UP;
            case "cltxtbrl", "cltxtbrlv" -> cell.running = Running.DOWN;
            case "clvertalc" -> cell.vertical = VerticalAlignment.CENTRE;
            case "clvertalb" -> cell.vertical = VerticalAlignment.BOTTOM;
            case "clcbpat" -> cell.colour = value;
            case "clpadl" -> cell.padding[0] = value;
            case "clpadt" -> cell.padding[3] = value;
            case "clpadr" -> cell.padding[1] = value;
            case "clpadb" -> cell.padding[2] = value;
            case "cellx" -> {
                cell.right = value;
                row.cells.add(cell);
                row.cell = new CellTold();
            }
            default -> { }
        }
    }
}
