package app.decant.publish;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import app.decant.document.DecantException;
import java.io.IOException;
import java.io.UncheckedIOException;
import java.nio.charset.StandardCharsets;
import java.nio.file.AccessDeniedException;
import java.nio.file.FileSystemException;
import java.nio.file.Files;
import java.nio.file.NoSuchFileException;
import java.nio.file.Path;
import java.nio.file.attribute.FileTime;
import java.nio.file.attribute.PosixFilePermissions;
import java.time.Duration;
import java.time.Instant;
import java.util.ArrayList;
import java.util.List;
import java.util.Set;
import java.util.stream.Stream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.Arguments;
import org.junit.jupiter.params.provider.MethodSource;

/** A file takes its name only when it is whole and looked at; what hinders it is told, nothing is left over, and what it is made from is left alone. */
class SafeFileTest {
    private static final SafeFile.Writing NEW = out -> out.write("new".getBytes(StandardCharsets.UTF_8));

    @TempDir private Path folder;

    @Test void aFileIsLookedAtBeforeItTakesItsName() throws IOException {
        Path file = Files.writeString(folder.resolve("notice.pdf"), "old");
        List<String> seen = new ArrayList<>();
        SafeFile.write(file, Recipe.WhenPresent.REPLACE, Guard.NONE, NEW, made -> {
            seen.add(Files.readString(made));
            assertThat(file).hasContent("old");
        });
        assertThat(seen).containsExactly("new");
        assertThat(file).hasContent("new");
        assertThatThrownBy(() -> SafeFile.write(file, Recipe.WhenPresent.REPLACE, Guard.NONE, out -> out.write(1), made -> {
            throw new IllegalStateException("not as it should be");
        })).isInstanceOf(IllegalStateException.class);
        assertThat(file).hasContent("new");
        assertThat(names()).containsExactly("notice.pdf");
    }

    private List<String> names() throws IOException {
        try (Stream<Path> files = Files.list(folder)) {
            return files.map(file -> file.getFileName().toString()).sorted().toList();
        }
    }

    @Test void namesThatAreTakenAreCountedOn() throws IOException {
        Path file = folder.resolve("notice.pdf");
        for (int i = 0; i < 3; i++) SafeFile.write(file, Recipe.WhenPresent.KEEP_BOTH, Guard.NONE, NEW, SafeFile.UNSEEN);
        assertThat(names()).containsExactly("notice 2.pdf", "notice 3.pdf", "notice.pdf");
        assertThat(SafeFile.nextFree(file)).hasFileName("notice 4.pdf");
        assertThatThrownBy(() -> SafeFile.write(file, Recipe.WhenPresent.REFUSE, Guard.NONE, NEW, SafeFile.UNSEEN)).isInstanceOfSatisfying(
                DecantException.class, told -> assertThat(told.kind()).isEqualTo(DecantException.Kind.TARGET_EXISTS))
                .hasMessageContaining("notice 4.pdf");
        assertThatThrownBy(() -> SafeFile.place(folder, Recipe.WhenPresent.REPLACE, Guard.NONE)).isInstanceOfSatisfying(DecantException.class,
                told -> assertThat(told.kind()).isEqualTo(DecantException.Kind.WRONG_CALL));
        assertThat(SafeFile.withoutEnding(".profile")).isEqualTo(".profile");
        assertThat(SafeFile.withoutEnding("a.b.pdf")).isEqualTo("a.b");
        assertThat(SafeFile.withoutEnding("plain")).isEqualTo("plain");
    }

    static Stream<Arguments> hindrances() {
        return Stream.of(Arguments.of(new IOException("No space left on device"), "no room"), Arguments.of(new IOException("Disk quota exceeded"), "no room"),
                Arguments.of(new IOException("There is not enough space on the disk"), "no room"),
                Arguments.of(new AccessDeniedException("notice.pdf"), "locked"), Arguments.of(new IOException("Read-only file system"), "locked"),
                Arguments.of(new IOException("Permission denied"), "locked"), Arguments.of(new NoSuchFileException("notice.pdf"), "not there any more"),
                Arguments.of(new FileSystemException("notice.pdf", null, "in use"), "notice 2.pdf"),
                Arguments.of(new IOException((String) null), "Choose another folder"));
    }

    @ParameterizedTest @MethodSource("hindrances")
    void whatHindersIsToldInAWordAndNothingIsLeftOver(IOException hindrance, String told) throws IOException {
        Files.writeString(folder.resolve("notice.pdf"), "old");
        for (SafeFile.Writing writing : List.<SafeFile.Writing>of(out -> {
            out.write(1);
            throw hindrance;
        }, out -> {
            throw new UncheckedIOException(hindrance);
        })) {
            assertThatThrownBy(() -> SafeFile.write(folder.resolve("notice.pdf"), Recipe.WhenPresent.REPLACE, Guard.NONE, writing, SafeFile.UNSEEN))
                    .isInstanceOfSatisfying(DecantException.class, one -> {
                        assertThat(one.kind()).isEqualTo(DecantException.Kind.TARGET_LOCKED);
                        assertThat(one.getMessage().toLowerCase()).contains(told.toLowerCase());
                        assertThat(one.getCause()).isSameAs(hindrance);
                    });
        }
        assertThat(names()).containsExactly("notice.pdf");
        assertThat(folder.resolve("notice.pdf")).hasContent("old");
    }

    @Test void aFileInThePlaceOfAFolderIsNamed() throws IOException {
        Path file = Files.writeString(folder.resolve("letters"), "a file");
        assertThatThrownBy(() -> SafeFile.write(file.resolve("notice.pdf"), Recipe.WhenPresent.REPLACE, Guard.NONE, NEW, SafeFile.UNSEEN))
                .isInstanceOf(DecantException.class).hasMessageContaining("is a file, not a folder");
        Path deep = folder.resolve("new/and/deeper/notice.pdf");
        SafeFile.write(deep, Recipe.WhenPresent.REFUSE, Guard.NONE, NEW, SafeFile.UNSEEN);
        assertThat(deep).hasContent("new");
    }

    @Test void whatIsOnesOwnIsClosedToOthers() throws IOException {
        Path own = folder.resolve("own.json");
        SafeFile.write(own, Recipe.WhenPresent.REFUSE, Guard.OWN, NEW, SafeFile.UNSEEN);
        assertThat(Files.getPosixFilePermissions(own)).isEqualTo(PosixFilePermissions.fromString("rw-------"));
        Path open = folder.resolve("open.pdf");
        SafeFile.write(open, Recipe.WhenPresent.REFUSE, Guard.NONE, NEW, SafeFile.UNSEEN);
        assertThat(Files.getPosixFilePermissions(open)).isNotEqualTo(Set.of());
        assertThat(Guard.OWN.isOwn()).isTrue();
        assertThat(Guard.NONE.isOwn()).isFalse();
    }

    @Test void originalsAreKnownByWhatTheyAre() throws IOException {
        Path original = Files.writeString(folder.resolve("original.docx"), "words");
        Guard guard = Guard.NONE.and(original);
        Path link = Files.createSymbolicLink(folder.resolve("link.pdf"), original);
        Path second = Files.createLink(folder.resolve("second.pdf"), original);
        for (Path name : List.of(original, link, second, folder.resolve("./x/../original.docx"))) {
            Files.createDirectories(folder.resolve("x"));
            assertThat(guard.isOriginal(name)).as("%s", name).isTrue();
            assertThatThrownBy(() -> SafeFile.write(name, Recipe.WhenPresent.REPLACE, guard, NEW, SafeFile.UNSEEN)).as("%s", name)
                    .isInstanceOfSatisfying(DecantException.class, told -> assertThat(told.kind()).isEqualTo(DecantException.Kind.WRONG_CALL));
        }
        assertThat(original).hasContent("words");
        assertThat(guard.isOriginal(folder.resolve("other.pdf"))).isFalse();
        assertThat(Guard.NONE.isOriginal(original)).isFalse();
        assertThat(Guard.NONE.and(folder.resolve("missing.docx"))).as("what is not there needs no guarding").isSameAs(Guard.NONE);
        assertThat(Guard.NONE.and((Path) null)).isSameAs(Guard.NONE);
        // Saved anew by its program, it is another file of the same name: still it.
        Files.delete(second);
        Files.delete(original);
        Files.writeString(original, "words anew");
        assertThat(guard.isOriginal(original)).isTrue();
    }

    @Test void aNameThatBecomesAnOriginalWhileItIsMadeIsRefused() throws IOException {
        Path original = Files.writeString(folder.resolve("original.docx"), "words");
        Path target = folder.resolve("result.pdf");
        assertThatThrownBy(() -> SafeFile.write(target, Recipe.WhenPresent.REPLACE, Guard.NONE.and(original), NEW,
                made -> Files.createLink(target, original))).isInstanceOf(DecantException.class);
        assertThat(original).hasContent("words");
    }

    @Test void resultsStayInTheirFolders() throws IOException {
        Path inside = Files.createDirectories(folder.resolve("results"));
        Path outside = Files.createDirectories(folder.resolve("elsewhere"));
        Files.createSymbolicLink(inside.resolve("way-out"), outside);
        Guard guard = Guard.NONE.within(List.of(inside));
        assertThatThrownBy(() -> SafeFile.write(inside.resolve("way-out/notice.pdf"), Recipe.WhenPresent.REPLACE, guard, NEW, SafeFile.UNSEEN))
                .isInstanceOfSatisfying(DecantException.class, told -> assertThat(told.kind()).isEqualTo(DecantException.Kind.TARGET_LOCKED));
        assertThat(outside).isEmptyDirectory();
        Path made = SafeFile.write(inside.resolve("new/notice.pdf"), Recipe.WhenPresent.REPLACE, guard, NEW, SafeFile.UNSEEN);
        assertThat(made).hasContent("new");
        // Folders that are not there yet bind nothing.
        SafeFile.write(outside.resolve("notice.pdf"), Recipe.WhenPresent.REPLACE, Guard.NONE.within(List.of(folder.resolve("not yet"))), NEW, SafeFile.UNSEEN);
    }

    @Test void aGateThatIsShutKeepsTheNameFree() throws IOException {
        Path target = folder.resolve("late.pdf");
        Guard shut = Guard.NONE.through(move -> {
            throw new IOException("No space left on device");
        });
        assertThatThrownBy(() -> SafeFile.write(target, Recipe.WhenPresent.REFUSE, shut, NEW, SafeFile.UNSEEN)).isInstanceOf(DecantException.class);
        assertThat(names()).isEmpty();
    }

    @Test void partsOfProgramsThatEndedAreClearedAwayThoseOfOthersNot() throws IOException {
        Path mine = Files.writeString(LeftOvers.ofThisProcess(folder), "being written");
        Path dead = Files.writeString(LeftOvers.ofADeadProcess(folder), "left over");
        Path others = Files.writeString(folder.resolve(".decant-zzz-1-1-1.part"), "another machine's");
        Path old = Files.writeString(folder.resolve(".decant-zzz-1-1-2.part"), "another machine's, long ago");
        Files.setLastModifiedTime(old, FileTime.from(Instant.now().minus(Duration.ofDays(2))));
        Path nameless = Files.writeString(folder.resolve(".decant-7.part"), "of an early version");
        Path stranger = Files.writeString(folder.resolve(".decant-a b.part"), "no part of ours");
        for (Path part : List.of(mine, dead, others, old, nameless, stranger)) LeftOver.clearPart(part);
        assertThat(mine).exists();
        assertThat(dead).doesNotExist();
        assertThat(others).exists();
        assertThat(old).doesNotExist();
        assertThat(nameless).exists();
        assertThat(stranger).exists();
        Files.setLastModifiedTime(nameless, FileTime.from(Instant.now().minus(Duration.ofDays(2))));
        SafeFile.write(folder.resolve("notice.pdf"), Recipe.WhenPresent.REFUSE, Guard.NONE, NEW, SafeFile.UNSEEN);
        assertThat(nameless).as("a folder is looked through before its first file is written").doesNotExist();
        LeftOver.clear(folder.resolve("not there"));
    }
}
