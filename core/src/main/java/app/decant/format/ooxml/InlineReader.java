package app.decant.format.ooxml;

import app.decant.document.AlignedTab;
import app.decant.document.Block;
import app.decant.document.Finding;
import app.decant.document.FormField;
import app.decant.document.Inline.Field;
import app.decant.document.Inline;
import app.decant.document.Link;
import app.decant.document.Look;
import app.decant.document.Opaque;
import app.decant.document.Paragraph;
import app.decant.document.ParagraphProperty.TabStop;
import app.decant.document.TextProperty;
import app.decant.document.TrackedChange;
import app.decant.font.SymbolEncoding;
import app.decant.format.FieldText;
import app.decant.format.OfficePackage;
import app.decant.words.Message;
import app.decant.xml.XmlNode;
import java.util.ArrayDeque;
import java.util.ArrayList;
import java.util.Deque;
import java.util.HashMap;
import java.util.Iterator;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Set;
import java.util.regex.Matcher;
import java.util.regex.Pattern;

/** Reads what stands in paragraphs: runs, fields, links, marks. A field's state outlives its paragraph. */
final class InlineReader {
    /** Newer markup that is read for itself. */
    private static final Set<String> UNDERSTOOD = Set.of("wps", "wpg", "wpc", "w14");

    private final StoryReader story;
    private final DrawingReader drawings;
    private final VectorReader vectors;
    private final Deque<Open> fields = new ArrayDeque<>();
    private final Map<String, String> bookmarks = new HashMap<>();
    private List<Inline> out;
    /** Ends of bookmarks that stand between blocks, for the paragraph that comes next. */
    private final List<Inline> waiting = new ArrayList<>();
    private String contents;
    private TrackedChange tracked;
    private FormField control;

    /** A complex field that is being read (17.16.18). */
    private static final class Open {
        final StringBuilder instruction = new StringBuilder();
        final List<Inline> result = new ArrayList<>();
        boolean inResult;
        boolean passThrough;
        Link link;
        Look look = Look.PLAIN;
        XmlNode data;

        String name() {
            String[] words = instruction.toString().trim().split("\\s+", 2);
            return words[0].toUpperCase(Locale.ROOT);
        }
    }

    InlineReader(StoryReader story) {
        this.story = story;
        this.drawings = new DrawingReader(story.reader, story);
        this.vectors = new VectorReader(story.reader, story, drawings);
    }

    boolean insideContents() { return fields.stream().anyMatch(field -> field.passThrough && field.name().equals("TOC")); }

    /** The instruction of the contents list that began in the paragraph last read, or null. */
    String contents() { return contents; }

    List<Inline> read(XmlNode paragraph) {
        out = new ArrayList<>(waiting);
        waiting.clear();
        contents = null;
        for (XmlNode node : paragraph.children()) content(node, null);
        for (Open open : fields) {
            if (open.passThrough || open.result.isEmpty()) continue;
            // The field goes on in the next paragraph: its result is kept as plain text here.
            out.addAll(open.result);
            open.result.clear();
            open.passThrough = true;
        }
        return new Paragraph(null, Look.PLAIN, Look.PLAIN, List.of()).withInlines(out).inlines();
    }

    private void content(XmlNode node, Link link) {
        switch (node.name()) {
            case "w:r" -> run(node, link);
            case "w:hyperlink" -> {
                Link target = link(node);
                for (XmlNode child : node.children()) content(child, target == null ? link : target);
            }
            case "w:fldSimple" -> simpleField(node, link);
            case "w:smartTag", "w:customXml", "w:dir", "w:bdo" -> {
                for (XmlNode child : node.children()) content(child, link);
            }
            case "w:ins", "w:moveTo", "w:del", "w:moveFrom" -> {
                TrackedChange around = tracked;
                tracked = TrackedMarkup.change(node).within(around);
                for (XmlNode child : node.children()) content(child, link);
                tracked = around;
            }
            case "w:sdt" -> {
                FormField around = control;
                FormField own = FormMarkup.control(story.reader.nextForm(), node);
                if (own != null) control = own;
                XmlNode content = node.child("w:sdtContent");
                if (content != null) for (XmlNode child : content.children()) content(child, link);
                control = around;
            }
            case "w:bookmarkStart", "w:bookmarkEnd" -> addIfAny(bookmark(node));
            case "w:commentRangeStart", "w:commentRangeEnd" -> story.commentRange(node);
            case "m:oMath", "m:oMathPara" -> add(new Inline.OpaqueInline(new Opaque("ooxml", "a formula", node.markup(), Map.of(), null), letters(node)));
            case "mc:AlternateContent" -> alternate(node, Look.PLAIN, link);
            default -> { }
        }
    }

    private Inline bookmark(XmlNode node) {
        String id = node.get("w:id", "");
        if (node.is("w:bookmarkEnd")) return bookmarks.containsKey(id) ? new Inline.BookmarkPoint(bookmarks.remove(id), false) : null;
        String name = node.get("w:name");
        if (name == null || name.equals("_GoBack")) return null;
        bookmarks.put(id, name);
        return new Inline.BookmarkPoint(name, true);
    }

    /** One end of a bookmark that stands between blocks, rows or cells (17.13.6). */
    void between(XmlNode node) {
        Inline point = bookmark(node);
        if (point != null) waiting.add(point);
    }

    /** What no paragraph came for. */
    List<Inline> left() {
        List<Inline> left = new ArrayList<>(waiting);
        waiting.clear();
        return left;
    }

    private void add(Inline inline) {
        Open open = fields.peek();
        if (open == null || open.passThrough && open.inResult) out.add(inline);
        else if (open.inResult) open.result.add(inline);
        else if (inline instanceof Inline.BookmarkPoint) out.add(inline);
    }

    private void run(XmlNode run, Link link) {
        Look look = story.reader.looks().text(run.child("w:rPr"));
        Link within = link;
        for (Open open : fields) if (within == null && open.link != null) within = open.link;
        if (within != null) look = look.with(TextProperty.LINK, within);
        if (control != null) look = look.with(TextProperty.FORM, control);
        if (tracked != null) look = look.with(TextProperty.TRACKED, tracked);
        if (run.find("w:rPrChange") != null) story.reader.findOnce(Finding.changed(Message.of("format.changes-of-looks-come-in-accepted")));
        if (run.child("w:commentReference") == null && run.child("w:annotationRef") == null) look = story.comments.on(look);
        for (XmlNode node : run.children()) piece(node, look, link);
    }

    private void piece(XmlNode node, Look look, Link link) {
        switch (node.name()) {
            case "w:t", "w:delText" -> add(new Inline.Text(printable(node.text()), look));
            case "w:tab" -> add(new Inline.Text(String.valueOf(Inline.TAB), look));
            case "w:ptab" -> add(new Inline.Text(String.valueOf(Inline.TAB), look.with(TextProperty.ALIGNED_TAB, alignedTab(node))));
            case "w:br" -> {
                String type = node.get("w:type", "textWrapping");
                char c = type.equals("page") ? Inline.PAGE_BREAK : type.equals("column") ? Inline.COLUMN_BREAK : Inline.LINE_BREAK;
                add(new Inline.Text(String.valueOf(c), look));
            }
            case "w:cr" -> add(new Inline.Text(String.valueOf(Inline.LINE_BREAK), look));
            case "w:noBreakHyphen" -> add(new Inline.Text("\u2011", look));
            case "w:softHyphen" -> add(new Inline.Text("\u00AD", look));
            case "w:sym" -> symbol(node, look);
            case "w:footnoteReference" -> note(node, Inline.Note.Kind.FOOTNOTE, look);
            case "w:endnoteReference" -> note(node, Inline.Note.Kind.ENDNOTE, look);
            case "w:footnoteRef", "w:endnoteRef" -> add(new Field(Field.Kind.NOTE_MARK, "", "", look));
            case "w:drawing" -> drawings.drawings(node, node, look).forEach(this::add);
            case "w:pict", "w:object" -> vectors.read(node, look).forEach(this::add);
            case "mc:AlternateContent" -> alternate(node, look, link);
            case "w:fldChar" -> fieldMark(node, look);
            case "w:instrText", "w:delInstrText" -> {
                Open open = fields.peek();
                if (open != null && !open.inResult) {
                    open.instruction.append(node.text());
                    open.look = look;
                }
            }
            case "w:ruby" -> {
                XmlNode base = node.child("w:rubyBase");
                XmlNode above = node.child("w:rt");
                if (base != null) for (XmlNode child : base.children()) content(child, link);
                if (above == null) return;
                add(new Inline.Text("(" + above.text() + ")", look));
                story.reader.findOnce(Finding.changed(Message.of("odf.small-words-above-others-are-set")));
            }
            case "w:commentReference" -> story.comments.mark(story.reader.comment(node), fields.isEmpty() ? out : fields.peek().result);
            default -> { }
        }
    }

    private static AlignedTab alignedTab(XmlNode node) {
        TabStop.Kind kind = switch (node.get("w:alignment", "left")) {
            case "center" -> TabStop.Kind.CENTRE;
            case "right" -> TabStop.Kind.END;
            default -> TabStop.Kind.START;
        };
        return new AlignedTab(kind, node.get("w:relativeTo", "margin").equals("indent"), LookReader.leader(node));
    }

    private void addIfAny(Inline inline) { if (inline != null) add(inline); }

    /** Line ends inside text are white space (17.3.3.31); other controls mean nothing. */
    private static String printable(String text) {
        StringBuilder result = null;
        for (int i = 0; i < text.length(); i++) {
            char c = text.charAt(i);
            if (c >= ' ' && c != Inline.OBJECT) {
                if (result != null) result.append(c);
                continue;
            }
            if (result == null) result = new StringBuilder(text.substring(0, i));
            if (c == '\n' || c == '\r' || c == '\t') result.append(' ');
        }
        return result == null ? text : result.toString();
    }

    private void symbol(XmlNode node, Look look) {
        String family = node.get("w:font");
        try {
            int code = Integer.parseInt(node.get("w:char", "F0B7"), 16);
            if (code < 0x100) code += 0xF000;
            boolean pictorial = SymbolEncoding.isPictorial(family);
            String text = SymbolEncoding.unicode(family, new String(Character.toChars(code)));
            add(new Inline.Text(text, pictorial && !SymbolEncoding.hasSigns(text) ? look.without(TextProperty.FAMILY)
                    : look.with(TextProperty.FAMILY, family)));
        } catch (NumberFormatException e) {
            story.reader.find(Finding.lost(Message.of("ooxml.a-symbol-has-no-readable-number")));
        }
    }

    private void note(XmlNode node, Inline.Note.Kind kind, Look look) {
        String id = node.get("w:id", "");
        List<Block> blocks = story.reader.note(kind, id);
        if (blocks == null) {
            story.reader.find(Finding.lost(Message.of("ooxml.a-note-is-missing-from-the-file")));
            return;
        }
        boolean custom = "1".equals(node.get("w:customMarkFollows")) || "true".equals(node.get("w:customMarkFollows"));
        add(new Inline.Note(kind, blocks, custom ? "" : null, look));
    }

    /** What a formula is set in: as its first letters are. */
    private Look letters(XmlNode formula) {
        XmlNode told = formula.find("w:rPr");
        Look said = told == null ? Look.PLAIN : story.reader.looks().text(told);
        return Look.PLAIN.with(TextProperty.SIZE, said.get(TextProperty.SIZE)).with(TextProperty.COLOUR, said.get(TextProperty.COLOUR));
    }

    /** Newer markup with older beside it: the newer where it is understood. */
    private void alternate(XmlNode node, Look look, Link link) {
        XmlNode choice = node.child("mc:Choice");
        boolean understood = choice != null && UNDERSTOOD.contains(choice.get("Requires", ""));
        XmlNode taken = understood || node.child("mc:Fallback") == null ? choice : node.child("mc:Fallback");
        if (taken == null) return;
        for (XmlNode child : taken.children()) {
            if (child.is("w:r")) run(child, link);
            else if (child.is("w:drawing")) drawings.drawings(child, node, look).forEach(this::add);
            else piece(child, look, link);
        }
    }

    private Link link(XmlNode node) {
        String anchor = node.get("w:anchor");
        OfficePackage.Relation relation = story.relation(node.get("r:id"));
        if (relation != null) return new Link.Address(anchor == null ? relation.target() : relation.target() + "#" + anchor);
        return anchor == null ? null : new Link.Inside(anchor);
    }

    private void fieldMark(XmlNode node, Look look) {
        switch (node.get("w:fldCharType", "")) {
            case "begin" -> {
                Open open = new Open();
                open.look = look;
                open.data = node.child("w:ffData");
                fields.push(open);
            }
            case "separate" -> {
                if (fields.isEmpty()) return;
                Open open = fields.peek();
                open.inResult = true;
                String name = open.name();
                if (name.equals("HYPERLINK")) {
                    open.link = linkOf(open.instruction.toString());
                    open.passThrough = true;
                } else if (name.equals("TOC")) {
                    open.passThrough = true;
                    contents = open.instruction.toString();
                }
            }
            case "end" -> {
                if (!fields.isEmpty()) endField(fields.pop());
            }
            default -> { }
        }
    }

    private void endField(Open open) {
        if (open.name().startsWith("FORM")) {
            form(open);
            return;
        }
        if (open.passThrough) return;
        Field.Kind kind = Field.Kind.of(open.name());
        StringBuilder text = new StringBuilder();
        Look look = null;
        boolean oneLook = true;
        boolean onlyText = true;
        for (Inline inline : open.result) {
            if (!(inline instanceof Inline.Text run)) {
                onlyText &= inline.length() == 0;
                continue;
            }
            text.append(run.text());
            if (look == null) look = run.look();
            else oneLook &= look.equals(run.look());
        }
        if (kind == Field.Kind.OTHER && (!oneLook || !onlyText || open.name().isEmpty())) {
            open.result.forEach(this::add);
            return;
        }
        String shown = text.isEmpty() && kind == Field.Kind.OTHER ? FieldText.of(open.instruction.toString()) : text.toString();
        add(new Field(kind, open.instruction.toString().trim(), shown, look == null ? open.look : look));
    }

    /** A form field: what is filled in bears it; a box or a choice without a result is shown as what its data say. */
    private void form(Open open) {
        FormField field = FormMarkup.field(story.reader.nextForm(), open.name(), open.data);
        boolean told = field.kind() == FormField.Kind.TEXT && open.result.stream().anyMatch(inline -> inline.length() > 0);
        if (!told && open.passThrough) return;
        if (!told) open.result.add(new Inline.Text(FormMarkup.shown(field, open.data), open.look));
        for (Inline inline : open.result) add(inline.length() == 0 ? inline : inline.with(inline.look().with(TextProperty.FORM, field)));
    }

    private void simpleField(XmlNode node, Link link) {
        Open open = new Open();
        open.instruction.append(node.get("w:instr", ""));
        open.inResult = true;
        if (open.name().equals("HYPERLINK")) {
            open.link = linkOf(open.instruction.toString());
            open.passThrough = true;
        }
        fields.push(open);
        for (XmlNode child : node.children()) content(child, link);
        fields.pop();
        endField(open);
    }

    private static Link linkOf(String instruction) {
        List<String> words = new ArrayList<>();
        Matcher matcher = Pattern.compile("\"([^\"]*)\"|(\\S+)").matcher(instruction);
        while (matcher.find()) words.add(matcher.group(1) != null ? matcher.group(1) : matcher.group(2));
        Iterator<String> rest = words.iterator();
        if (rest.hasNext()) rest.next();
        String address = null;
        String inside = null;
        while (rest.hasNext()) {
            String word = rest.next();
            if (word.equals("\\l") && rest.hasNext()) inside = rest.next();
            else if (word.startsWith("\\")) continue;
            else if (address == null) address = word;
        }
        if (address != null && !address.isBlank()) return new Link.Address(inside == null ? address : address + "#" + inside);
        return inside == null ? null : new Link.Inside(inside);
    }
}
