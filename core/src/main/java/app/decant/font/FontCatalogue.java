package app.decant.font;

import app.decant.document.DecantException;
import app.decant.words.Message;
import java.io.FileInputStream;
import java.io.IOException;
import java.io.InputStream;
import java.io.UncheckedIOException;
import java.nio.charset.StandardCharsets;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.Collection;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.TreeSet;
import java.util.concurrent.ConcurrentHashMap;
import org.slf4j.LoggerFactory;

/**
 * The faces at hand: those that ship with Decant, then those installed on this machine. A family that is neither is replaced by a shipped one
 * of the same widths where there is one, else by one of the same kind. Faces are read when first asked for. Safe for several threads.
 */
public final class FontCatalogue {
    private static final List<String> FALLBACKS = List.of("DejaVu Sans", "Droid Sans Fallback", "Droid Sans Hangul");
    private static final FontCatalogue SHIPPED = new FontCatalogue(List.of());

    private final Map<String, Map<Integer, Source>> families = new LinkedHashMap<>();
    private final Map<String, String> names = new LinkedHashMap<>();
    private final Map<Source, Face> faces = new ConcurrentHashMap<>();
    private final Map<String, Match> matches = new ConcurrentHashMap<>();
    private final Map<String, String> equalWidths = new LinkedHashMap<>();
    private final Map<String, String> sameKind = new LinkedHashMap<>();

    /** Where a face's file is. */
    private record Source(String family, boolean bold, boolean italic, String resource, Path file, int number) { }

    /**
     * The face found for a wish.
     *
     * @param family     the family wished for
     * @param face       the face to use
     * @param here       whether it is of the very family wished for
     * @param equalWidths whether lines end where they would with the family wished for
     */
    public record Match(String family, Face face, boolean here, boolean equalWidths) { }

    private FontCatalogue(List<InstalledFonts.Entry> installed) {
        for (String line : lines("faces.txt")) {
            String[] parts = line.split("\\s*;\\s*");
            add(new Source(parts[0], parts[1].contains("bold"), parts[1].contains("italic"), parts[2], null, 0));
        }
        for (InstalledFonts.Entry entry : installed) add(new Source(entry.family(), entry.bold(), entry.italic(), null, entry.file(), entry.number()));
        for (String line : lines("substitutes.txt")) {
            String[] parts = line.split("\\s*;\\s*");
            (parts[1].equals("equal widths") ? equalWidths : sameKind).put(key(parts[0]), parts[2]);
        }
    }

    /** The shipped faces only: the same on every machine. */
    public static FontCatalogue shipped() { return SHIPPED; }

    /** The shipped faces and those installed here. */
    public static FontCatalogue ofThisMachine() { return Machine.CATALOGUE; }

    /** The same without some families, which are then replaced as if they were not here. */
    public FontCatalogue without(Collection<String> left) {
        FontCatalogue other = new FontCatalogue(this);
        for (String family : left) {
            other.families.remove(key(family));
            other.names.remove(key(family));
        }
        return other;
    }

    /** The same with further faces, such as those a document brings along; they go before those of the same family. */
    public FontCatalogue with(Collection<Face> brought) {
        FontCatalogue other = new FontCatalogue(this);
        for (Face face : brought) {
            Source source = new Source(face.family(), face.bold(), face.italic(), null, null, 0);
            Map<Integer, Source> styles = new LinkedHashMap<>(other.families.getOrDefault(key(face.family()), Map.of()));
            styles.put((face.bold() ? 1 : 0) | (face.italic() ? 2 : 0), source);
            other.families.put(key(face.family()), styles);
            other.names.putIfAbsent(key(face.family()), face.family());
            other.faces.put(source, face);
        }
        return other;
    }

    private FontCatalogue(FontCatalogue like) {
        families.putAll(like.families);
        names.putAll(like.names);
        equalWidths.putAll(like.equalWidths);
        sameKind.putAll(like.sameKind);
        faces.putAll(like.faces);
    }

    private static final class Machine {
        static final FontCatalogue CATALOGUE = new FontCatalogue(InstalledFonts.found());
    }

    /** The names of all families, in order of the alphabet. */
    public List<String> families() { return List.copyOf(new TreeSet<>(names.values())); }

    /** The face for a family in a weight and slant. Never null: where all else fails it is the shipped serif. */
    public Match match(String family, boolean bold, boolean italic) {
        String wish = family == null || family.isBlank() ? "Liberation Serif" : family;
        return matches.computeIfAbsent(wish + (bold ? "/b" : "/") + (italic ? "i" : ""), name -> find(wish, bold, italic));
    }

    /** The first fallback face that has the character, then one that has the letter it is a form of; {@code face} itself where none has. */
    public Face fallback(Face face, int codePoint) {
        if (face.has(codePoint)) return face;
        for (String family : FALLBACKS) {
            Face other = match(family, face.bold(), face.italic()).face();
            if (other.has(codePoint)) return other;
        }
        Face formed = match(face.family(), face.bold() || PlainForm.isBold(codePoint), face.italic() || PlainForm.isItalic(codePoint)).face();
        if (formed.shows(codePoint)) return formed;
        for (String family : FALLBACKS) {
            Face other = match(family, formed.bold(), formed.italic()).face();
            if (other.shows(codePoint)) return other;
        }
        return face;
    }

    private Match find(String wish, boolean bold, boolean italic) {
        String key = key(wish);
        if (families.containsKey(key)) {
            Face own = read(key, bold, italic);
            if (own != null) return new Match(wish, own, true, true);
        }
        String equal = equalWidths.get(key);
        if (equal != null) return new Match(wish, read(key(equal), bold, italic), false, true);
        String kind = sameKind.get(key);
        if (kind == null) kind = byName(key);
        return new Match(wish, read(key(kind), bold, italic), false, false);
    }

    /** A guess at the kind of an unknown family from words that type makers use in names. */
    private static String byName(String key) {
        if (key.contains("mono") || key.contains("code") || key.contains("typewriter") || key.contains("courier")) return "Liberation Mono";
        for (String word : List.of("sans", "gothic", "grotesk", "grotesque", "helv", "arial", "ui", "display", "condensed"))
            if (key.contains(word)) return "Liberation Sans";
        return "Liberation Serif";
    }

    private Face read(String key, boolean bold, boolean italic) {
        Map<Integer, Source> styles = families.get(key);
        int wanted = (bold ? 1 : 0) | (italic ? 2 : 0);
        for (int style : new int[] {wanted, wanted & 1, wanted & 2, 0, 1, 2, 3}) {
            Source source = styles.get(style);
            if (source == null) continue;
            try {
                return faces.computeIfAbsent(source, FontCatalogue::load);
            } catch (DecantException e) {
                LoggerFactory.getLogger(FontCatalogue.class).warn("{}", e.getMessage(), e);
            }
        }
        return null;
    }

    private static Face load(Source source) {
        try (InputStream in = source.resource != null ? FontCatalogue.class.getResourceAsStream(source.resource)
                // A channel would be closed where a thread is told to stop, and the face taken for a damaged one ever after.
                : new FileInputStream(source.file.toFile())) {
            return Face.read(source.family, source.bold, source.italic, FontCollection.font(in.readAllBytes(), source.number));
        } catch (IOException e) {
            throw new DecantException(DecantException.Kind.UNREADABLE, Message.of("font.the-font-cannot-be-read", source.family), e);
        }
    }

    private void add(Source source) {
        names.putIfAbsent(key(source.family), source.family);
        families.computeIfAbsent(key(source.family), key -> new LinkedHashMap<>()).putIfAbsent((source.bold ? 1 : 0) | (source.italic ? 2 : 0), source);
    }

    private static String key(String family) { return family.toLowerCase(Locale.ROOT).replace(" ", "").replace("-", ""); }

    private static List<String> lines(String resource) {
        try (InputStream in = FontCatalogue.class.getResourceAsStream(resource)) {
            List<String> lines = new ArrayList<>();
            for (String line : new String(in.readAllBytes(), StandardCharsets.UTF_8).split("\n")) {
                if (!line.isBlank() && !line.startsWith("#")) lines.add(line.trim());
            }
            return lines;
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
    }
}
