package app.decant.folder;

import app.decant.format.Format;
import app.decant.format.Formats;
import app.decant.publish.Recipe;
import app.decant.words.Message;
import java.nio.file.Path;
import java.time.Duration;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Set;

/**
 * What a run over folders is to do.
 *
 * @param sources  where files come from, each with a target of its own
 * @param outputs  what each file becomes: recipes, each with what it is called
 * @param present  what happens where a result is there already
 * @param again    whether files that an earlier run made from the same source by the same recipe are made anew
 * @param keepTimes whether results get the times of their originals
 * @param limit    after which a file is given up
 * @param wantsLook results with a faith score below this are set apart; 0 asks for no score
 * @param part     which of {@code parts} equal parts of the files is done here, from 1
 */
public record FolderPlan(List<Source> sources, List<Map.Entry<String, Recipe>> outputs, WhenThere present, boolean again, boolean keepTimes, Duration limit,
        double wantsLook, int part, int parts) {
    public FolderPlan {
        sources = List.copyOf(sources);
        outputs = List.copyOf(outputs);
        if (part < 1 || part > parts) throw new IllegalArgumentException("Part " + part + " of " + parts);
    }

    /** A plan with the usual: both kept, nothing done twice, ten minutes a file. */
    public FolderPlan(List<Source> sources, List<Map.Entry<String, Recipe>> outputs) {
        this(sources, outputs, WhenThere.KEEP_BOTH, false, false, Duration.ofMinutes(10), 0, 1, 1);
    }

    /** Whether results take the place of files that are there. */
    boolean replaces() { return present == WhenThere.REPLACE || present == WhenThere.NEWER; }

    /**
     * A folder and where its results go.
     *
     * @param below    whether folders below it are taken as well; they are mirrored in the target
     * @param kinds    which kinds of files
     * @param patterns names that are wanted, such as {@code *.doc}; none for all of the kinds
     */
    public record Source(Path folder, Path target, boolean below, Set<Kind> kinds, List<String> patterns) {
        public Source {
            folder = folder.toAbsolutePath().normalize();
            target = target.toAbsolutePath().normalize();
            kinds = Set.copyOf(kinds);
            patterns = List.copyOf(patterns);
        }
    }

    /** Kinds of files, told by their endings until they are opened. */
    public enum Kind {
        TEXT(Format.Group.TEXT), TEMPLATE(Format.Group.TEMPLATE), PDF(Format.Group.PDF), SHEET(Format.Group.SHEET), PICTURE(Format.Group.PICTURE);

        private final Format.Group group;

        Kind(Format.Group group) { this.group = group; }

        /** Many of them. */
        public String words() { return Message.of("folder.kind." + name().toLowerCase(Locale.ROOT)).toString(); }

        /** So many of them. */
        Message count(int count) { return Message.of("folder.count." + name().toLowerCase(Locale.ROOT), count); }

        /** The kind of a file's name, or null. */
        static Kind of(String name) {
            Format format = Formats.called(name.substring(name.lastIndexOf('.') + 1));
            for (Kind kind : values()) if (format != null && format.reads() && kind.group == format.group()) return kind;
            return null;
        }
    }

    /** Where a result is there already: the next free name, made anew where the original is newer, replaced, left out. */
    public enum WhenThere { KEEP_BOTH, NEWER, REPLACE, SKIP }
}
