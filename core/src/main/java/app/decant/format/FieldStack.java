package app.decant.format;

import app.decant.document.FormField;
import app.decant.document.Inline;
import app.decant.document.Link;
import app.decant.document.Look;
import app.decant.document.TextProperty;
import java.util.ArrayDeque;
import java.util.ArrayList;
import java.util.Collections;
import java.util.Deque;
import java.util.List;
import java.util.Locale;
import java.util.regex.Matcher;
import java.util.regex.Pattern;

/** Fields as binary and rich text files have them: an instruction, then the last result, one within another, some over several paragraphs. */
public final class FieldStack {
    private static final Pattern TARGET = Pattern.compile("\"([^\"]*)\"|(?<!\\\\)\\b([^\\s\"\\\\]+)");

    /** One text over another, as East Asian typing makes it: an EQ field that overlays two texts. */
    private static final Pattern RUBY = Pattern.compile("(?is)EQ\\b.*\\\\o.*?\\(\\s*\\\\s\\s*\\\\up\\s*\\d*\\s*\\((.*)\\)\\s*[,;]\\s*(.*)\\)\\s*");

    private final Deque<Open> fields = new ArrayDeque<>();
    private int forms;

    /** A field that has begun: what it says, and what it shows so far. */
    private static final class Open {
        final StringBuilder instruction = new StringBuilder();
        final List<Inline> result = new ArrayList<>();
        boolean separated;
        FormTold form;

        boolean isContents() { return instruction.toString().trim().toUpperCase(Locale.ROOT).startsWith("TOC"); }
    }

    public void begin() { fields.push(new Open()); }

    /** What the data of the innermost field say, which asks for something to be filled in. */
    public void form(FormTold told) { if (!fields.isEmpty()) fields.peek().form = told; }

    public boolean isEmpty() { return fields.isEmpty(); }

    /** Whether what comes is part of an instruction. */
    public boolean isInInstruction() { return !fields.isEmpty() && !fields.peek().separated; }

    public void instruct(String words) { if (!fields.isEmpty()) fields.peek().instruction.append(words); }

    /** Ends the instruction; tells whether it asks for a contents list. */
    public boolean separate() {
        if (fields.isEmpty()) return false;
        fields.peek().separated = true;
        return fields.peek().isContents();
    }

    /** The instruction of the contents list whose entries are being read, or null. */
    public String contents() {
        return fields.stream().filter(field -> field.separated && field.isContents()).map(field -> field.instruction.toString()).findFirst().orElse(null);
    }

    /** Puts an inline into the innermost field's result, or where there is none, into the paragraph. */
    public void put(Inline inline, List<Inline> paragraph) {
        Open field = fields.peek();
        if (field == null) paragraph.add(inline);
        else if (field.separated) field.result.add(inline);
    }

    /** At a paragraph's end: what fields that go on hold so far stays in this paragraph. */
    public void flush(List<Inline> paragraph) {
        List<Open> open = new ArrayList<>(fields);
        Collections.reverse(open);
        for (Open field : open) {
            paragraph.addAll(field.result);
            field.result.clear();
        }
    }

    /** Ends the innermost field. @param look of a field that shows nothing */
    public void end(Look look, List<Inline> paragraph) {
        if (fields.isEmpty()) return;
        Open field = fields.pop();
        String instruction = field.instruction.toString().trim();
        String name = instruction.split("\\s+", 2)[0].toUpperCase(Locale.ROOT);
        FormTold form = FormTold.of(name);
        if (form != null) {
            form(field, field.form == null ? form : field.form, look, paragraph);
            return;
        }
        Link link = name.equals("HYPERLINK") ? link(instruction.substring(9)) : null;
        Inline.Field.Kind kind = Inline.Field.Kind.of(name);
        boolean plain = field.result.stream().allMatch(inline -> inline instanceof Inline.Text || inline.length() == 0);
        boolean shown = field.isContents() || name.equals("HYPERLINK") || name.isEmpty() || kind == Inline.Field.Kind.OTHER && !plain;
        if (shown) {
            for (Inline inline : field.result)
                put(link == null || inline.length() == 0 ? inline : inline.with(inline.look().with(TextProperty.LINK, link)), paragraph);
            return;
        }
        Matcher ruby = name.equals("EQ") && field.result.isEmpty() ? RUBY.matcher(instruction) : null;
        if (ruby != null && ruby.matches()) {
            // Small words above others are set in brackets behind them.
            put(new Inline.Text(ruby.group(2) + "(" + ruby.group(1) + ")", look), paragraph);
            return;
        }
        StringBuilder result = new StringBuilder();
        Look first = null;
        for (Inline inline : field.result) {
            if (!(inline instanceof Inline.Text text)) continue;
            if (first == null) first = text.look();
            result.append(text.text());
        }
        String words = result.isEmpty() && kind == Inline.Field.Kind.OTHER ? FieldText.of(instruction) : result.toString();
        put(new Inline.Field(kind, instruction, words, first == null ? look : first), paragraph);
    }

    private void form(Open field, FormTold told, Look look, List<Inline> paragraph) {
        FormField form = told.field(++forms);
        boolean filled = form.kind() == FormField.Kind.TEXT && field.result.stream().anyMatch(inline -> inline.length() > 0);
        List<Inline> result = filled ? field.result : List.of(new Inline.Text(told.shown(), look));
        for (Inline inline : result) put(inline.length() == 0 ? inline : inline.with(inline.look().with(TextProperty.FORM, form)), paragraph);
    }

    private static Link link(String said) {
        Matcher target = TARGET.matcher(said);
        boolean inside = said.matches("(?is).*\\\\l\\b.*");
        while (target.find()) {
            String one = target.group(1) != null ? target.group(1) : target.group(2);
            if (one.length() > 1) return inside ? new Link.Inside(one) : new Link.Address(one);
        }
        return null;
    }
}
