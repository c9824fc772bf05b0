package app.decant.edit;

import app.decant.document.Cascade;
import app.decant.document.Cut;
import app.decant.document.DecantException.Kind;
import app.decant.document.DecantException;
import app.decant.document.Document;
import app.decant.document.Inline;
import app.decant.document.Paragraph;
import app.decant.document.Place;
import app.decant.document.Stories;
import app.decant.document.Story;
import app.decant.document.Walk;
import app.decant.words.Message;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.regex.Matcher;
import java.util.regex.Pattern;

/** Finds words in a document, in its body, notes, boxes, headers and footers, and puts others in their place. */
public final class Search {
    /** A regular expression that looks at more letters than this for one document never ends. */
    private static final long MOST_LOOKS = 60_000_000;

    private final Document document;
    private final Wanted wanted;
    private final Pattern pattern;
    private final String replacement;
    private final Cascade cascade;
    private final List<Found> found = new ArrayList<>();
    private long looks;
    /** Where the place before ended, in the paragraph that is looked at. */
    private int last;

    /** A place where it stands, and what would take its place; null where nothing is to. */
    private record Found(TextSelection where, String instead) { }

    private Search(Document document, Wanted wanted, String replacement) {
        this.document = document;
        this.wanted = wanted;
        this.replacement = replacement;
        pattern = wanted.words().isEmpty() ? null : wanted.compiled();
        cascade = wanted.look() == null ? null : Cascade.of(document);
    }

    /** Every place where the words stand, in reading order, headers and footers last; upper and lower case alike unless {@code exactCase}. */
    public static List<TextSelection> all(Document document, String words, boolean exactCase) { return all(document, Wanted.plain(words, exactCase)); }

    /**
     * Every place where it stands, in reading order, headers and footers last.
     *
     * @throws DecantException ({@code WRONG_CALL}) where it is no regular expression, or one that never ends
     */
    public static List<TextSelection> all(Document document, Wanted wanted) { return places(everywhere(document, wanted, null)); }

    /** The same in one story, with what hangs on it. */
    public static List<TextSelection> in(Document document, Story story, Wanted wanted) {
        if (wanted.isNothing()) return List.of();
        Search search = new Search(document, wanted, null);
        search.look(story);
        return places(search.found);
    }

    /**
     * Other words put in every place where it stands, in one step; each takes the look of the first letter that it replaces.
     *
     * @param replacement for a regular expression with {@code $1} or {@code ${name}} for its groups
     * @throws DecantException ({@code WRONG_CALL}) likewise, or where it names a group that is not there
     */
    public static Change replaceAll(Document document, Selection picked, Wanted wanted, String replacement) {
        return replaceAll(document, picked, wanted, replacement, null);
    }

    /**
     * The same, in one part of a story only.
     *
     * @param within the part; null for everywhere
     */
    public static Change replaceAll(Document document, Selection picked, Wanted wanted, String replacement, TextSelection within) {
        return replaced(document, picked, everywhere(document, wanted, replacement).stream().filter(one -> isWithin(one.where, within)).toList());
    }

    /** Whether a place is in a part of a story; in all of the document where that is null. */
    public static boolean isWithin(TextSelection place, TextSelection within) {
        return within == null || place.story().equals(within.story()) && place.start().compareTo(within.start()) >= 0
                && place.end().compareTo(within.end()) <= 0;
    }

    /** The same in one of the places that were found; a caret stands behind it. Nothing is changed where it does not stand there any more. */
    public static Change replace(Document document, TextSelection place, Wanted wanted, String replacement) {
        List<Found> here = everywhere(document, wanted, replacement).stream().filter(one -> one.where.equals(place)).toList();
        return replaced(document, place, here);
    }

    private static List<TextSelection> places(List<Found> found) { return found.stream().map(Found::where).toList(); }

    private static List<Found> everywhere(Document document, Wanted wanted, String replacement) {
        if (wanted.isNothing()) return List.of();
        Search search = new Search(document, wanted, replacement);
        search.look(Story.BODY);
        for (Story story : Stories.all(document)) if (story instanceof Story.Frame) search.look(story);
        return search.found;
    }

    private static Change replaced(Document document, Selection picked, List<Found> found) {
        Draft draft = new Draft(document, picked);
        Map<Story, List<TextStep.Part>> parts = new LinkedHashMap<>();
        for (Found one : found) add(one, document.paragraph(one.where.start()), parts.computeIfAbsent(one.where.story(), story -> new ArrayList<>()));
        // What hangs on a story comes before it, since its place is told by the story as it was.
        List<Story> stories = new ArrayList<>(parts.keySet());
        stories.sort((one, other) -> Integer.compare(depth(other), depth(one)));
        for (Story story : stories) draft.add(new TextStep(story, parts.get(story)));
        if (found.size() != 1) return draft.done(EditKind.REPLACING);
        Place from = found.get(0).where.start();
        return draft.done(EditKind.REPLACING, from.at(from.offset() + found.get(0).instead.length()));
    }

    /** Places that touch are one stretch; named places within stay, behind what takes the stretch's place. */
    private static void add(Found found, Paragraph paragraph, List<TextStep.Part> parts) {
        Place start = found.where.start();
        Cut from = Cut.after(paragraph, start.offset());
        Cut to = Cut.before(found.where.end().offset());
        List<Inline> inlines = new ArrayList<>();
        TextStep.Part before = parts.isEmpty() ? null : parts.get(parts.size() - 1);
        if (before != null && before.path().equals(start.path()) && before.to().offset() == start.offset()) {
            inlines.addAll(parts.remove(parts.size() - 1).inlines());
            inlines.addAll(paragraph.part(before.to(), from));
            from = before.from();
        }
        if (!found.instead.isEmpty()) inlines.add(new Inline.Text(found.instead, paragraph.lookBefore(start.offset() + 1)));
        paragraph.part(Cut.after(paragraph, start.offset()), to).stream().filter(Inline.BookmarkPoint.class::isInstance).forEach(inlines::add);
        parts.add(new TextStep.Part(start.path(), from, to, inlines));
    }

    private static int depth(Story story) {
        int depth = 0;
        for (Place anchor = story.anchor(); anchor != null; anchor = anchor.story().anchor()) depth++;
        return depth;
    }

    private void look(Story story) {
        for (Walk.Stop stop : Walk.of(document, story).stops()) {
            look(story, stop);
            for (Story hung : Stories.on(story, stop)) look(hung);
        }
    }

    private void look(Story story, Walk.Stop stop) {
        String whole = stop.paragraph().text();
        List<SeenLook.Stretch> looks = wanted.look() == null ? List.of() : SeenLook.stretches(cascade, stop.paragraph());
        if (pattern == null) {
            // Whatever has the look.
            for (SeenLook.Stretch one : looks) if (one.look().equals(wanted.look()) && !whole.substring(one.from(), one.to()).isBlank())
                found.add(new Found(new TextSelection(new Place(story, stop.path(), one.from()), new Place(story, stop.path(), one.to())), replacement));
            return;
        }
        int[] places = new int[whole.length() + 1];
        String text = plain(wanted.foldsAccents() ? Wanted.folded(whole) : whole, places);
        last = 0;
        Matcher matcher = pattern.matcher(wanted.pattern() ? new Counted(text) : text);
        try {
            while (matcher.find()) {
                if (matcher.end() == matcher.start()) continue;
                if (wanted.look() != null && !has(looks, places[matcher.start()], places[matcher.end() - 1])) continue;
                TextSelection where = new TextSelection(new Place(story, stop.path(), places[matcher.start()]),
                        new Place(story, stop.path(), places[matcher.end() - 1] + 1));
                found.add(new Found(where, replacement == null ? null : instead(matcher)));
            }
        } catch (StackOverflowError e) {
            throw endless(e);
        }
    }

    /** Whether every letter from one to another has the look that is wanted. */
    private boolean has(List<SeenLook.Stretch> looks, int first, int last) {
        return looks.stream().filter(one -> one.to() > first && one.from() <= last).allMatch(one -> one.look().equals(wanted.look()));
    }

    private String instead(Matcher matcher) {
        if (!wanted.pattern()) return replacement;
        try {
            StringBuilder made = new StringBuilder();
            // What stands between the places is put in as well; its length tells where the replacement begins.
            int before = matcher.start() - last;
            matcher.appendReplacement(made, replacement);
            return made.substring(before);
        } catch (IllegalArgumentException | IndexOutOfBoundsException e) {
            throw new DecantException(Kind.WRONG_CALL, Message.of("edit.no-group", replacement), e);
        } finally {
            last = matcher.end();
        }
    }

    private static DecantException endless(Throwable cause) { return new DecantException(Kind.WRONG_CALL, Message.of("edit.endless-pattern"), cause); }

    /** Text whose letters are looked at so often and no more. */
    private final class Counted implements CharSequence {
        private final String text;

        Counted(String text) { this.text = text; }

        @Override public int length() { return text.length(); }

        @Override public char charAt(int index) {
            if (++looks > MOST_LOOKS) throw endless(null);
            return text.charAt(index);
        }

        @Override public CharSequence subSequence(int from, int to) { return text.substring(from, to); }
        @Override public String toString() { return text; }
    }

    /** Text as people look for it: without soft hyphens, all spaces alike; {@code places} takes where each character stood. */
    private static String plain(String text, int[] places) {
        StringBuilder plain = new StringBuilder(text.length());
        for (int i = 0; i < text.length(); i++) {
            char c = text.charAt(i);
            if (c == '\u00AD') continue;
            places[plain.length()] = i;
            plain.append(c == '\u00A0' ? ' ' : c);
        }
        return plain.toString();
    }

    /** How many words the body has; a word is what stands between white space. */
    public static int words(Document document) {
        int count = 0;
        for (Walk.Stop stop : Walk.of(document).stops()) {
            boolean inside = false;
            String text = stop.paragraph().text();
            for (int i = 0; i < text.length(); i++) {
                boolean space = Character.isWhitespace(text.charAt(i)) || text.charAt(i) == '\u00A0';
                if (!space && !inside) count++;
                inside = !space;
            }
        }
        return count;
    }
}
