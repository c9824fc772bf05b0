package app.decant.publish;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import app.decant.Decant;
import app.decant.document.Block;
import app.decant.document.DecantException;
import app.decant.document.Document;
import app.decant.document.Facts;
import app.decant.document.Finding;
import app.decant.document.Inline;
import app.decant.document.Link;
import app.decant.document.Look;
import app.decant.document.Paragraph;
import app.decant.document.Progress;
import app.decant.document.Section;
import app.decant.document.Table;
import app.decant.document.TextProperty;
import app.decant.pdf.PdfStyle;
import app.decant.pdf.Standard;
import app.decant.pdf.lock.Protection.Permission;
import app.decant.pdf.lock.Protection.Strength;
import app.decant.publish.Recipe.Passwords;
import java.io.ByteArrayInputStream;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.EnumSet;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Set;
import java.util.zip.ZipEntry;
import java.util.zip.ZipInputStream;
import org.apache.pdfbox.Loader;
import org.apache.pdfbox.pdfwriter.compress.CompressParameters;
import org.apache.pdfbox.pdmodel.PDDocument;
import org.apache.pdfbox.pdmodel.encryption.AccessPermission;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.EnumSource;
import org.junit.jupiter.params.provider.MethodSource;

/** What is wished for safety is there or refused, in every format: links that run nothing, facts that are not told, locks that lock. */
class SafeResultsTest {
    private static final Recipe REPLACING = Recipe.PLAIN.with(Recipe.WhenPresent.REPLACE);
    private static final List<String> DANGEROUS = List.of("javascript:alert(1)", "JaVaScRiPt:alert(2)", "java\tscript:alert(3)", " vbscript:x",
            "data:text/html,<b>x</b>", "file:///etc/passwd", "\\\\server\\share\\evil", "//server/share", "C:\\evil.exe", "ms-thing:run", "evil.exe");
    private static final List<String> SAFE = List.of("https://ferries.example/times", "http://ferries.example/", "mailto:office@ferries.example",
            "tel:+441000000");

    @TempDir private Path folder;

    private static Paragraph link(String address) {
        return new Paragraph(null, Look.PLAIN, Look.PLAIN, List.of(new Inline.Text("leads somewhere", Look.of(TextProperty.LINK, new Link.Address(address)))));
    }

    /** Links in the body, in a cell, in a header and in a note. */
    private static Document linked() {
        List<Paragraph> links = new ArrayList<>();
        for (String address : DANGEROUS) links.add(link(address));
        for (String address : SAFE) links.add(link(address));
        Table table = new Table(Look.PLAIN, List.of(200.0),
                List.of(new Table.Row(Look.PLAIN, List.of(new Table.Cell(0, 1, 1, Look.PLAIN, List.of(link("javascript:cell()")))))));
        Paragraph note = Paragraph.of("see the note").withInlines(List.of(new Inline.Text("see the note", Look.PLAIN),
                new Inline.Note(Inline.Note.Kind.FOOTNOTE, List.of(link("javascript:note()")), null, Look.PLAIN),
                new Inline.Field(Inline.Field.Kind.OTHER, " DDEAUTO c:\\\\calc \"a\" ", "result of the field", Look.PLAIN)));
        List<Block> blocks = new ArrayList<>(links);
        blocks.add(table);
        blocks.add(note);
        Section plain = Document.empty().sections().get(0);
        Section section = new Section(plain.start(), plain.page(), plain.columns(), plain.numbering(), Map.of(Section.FramePlace.HEADER,
                List.of(link("vbscript:header()"))), false, blocks);
        return Document.empty().withSections(List.of(section)).withFacts(new Facts("Old title", "Old subject", "Old Author", "old, keywords", null, null,
                null, Map.of()));
    }

    private Receipt publish(Document document, Recipe recipe, Passwords passwords) {
        return Decant.publish(new Order(Decant.layOut(document), recipe, passwords, null), folder.resolve("made." + recipe.target().ending()),
                Progress.SILENT).get(0);
    }

    /** All that stands in a file, unpacked, as letters of one and of two bytes. */
    private static String letters(Path file) throws IOException {
        byte[] bytes = Files.readAllBytes(file);
        StringBuilder all = new StringBuilder();
        if (bytes[0] == 'P' && bytes[1] == 'K') {
            try (ZipInputStream zip = new ZipInputStream(new ByteArrayInputStream(bytes))) {
                for (ZipEntry entry = zip.getNextEntry(); entry != null; entry = zip.getNextEntry())
                    all.append(new String(zip.readAllBytes(), StandardCharsets.UTF_8)).append('\n');
            }
        } else if (file.toString().endsWith(".pdf")) {
            try (PDDocument pdf = Loader.loadPDF(bytes)) {
                ByteArrayOutputStream plain = new ByteArrayOutputStream();
                pdf.setAllSecurityToBeRemoved(true);
                pdf.save(plain, CompressParameters.NO_COMPRESSION);
                all.append(plain.toString(StandardCharsets.ISO_8859_1));
            }
        } else {
            all.append(new String(bytes, StandardCharsets.ISO_8859_1)).append(new String(bytes, StandardCharsets.UTF_16LE))
                    .append(new String(bytes, 1, bytes.length - 1, StandardCharsets.UTF_16LE));
        }
        return all.toString();
    }

    static List<Target> targets() { return Target.values(); }

    static List<Target> factual() { return Target.values().stream().filter(target -> target.format().takesFacts()).toList(); }

    @ParameterizedTest @MethodSource("targets") void linksThatRunSomethingAreLeftOutAndTold(Target target) throws IOException {
        Receipt receipt = publish(linked(), REPLACING.to(target), Passwords.NONE);
        String made = letters(receipt.file()).toLowerCase(Locale.ROOT);
        assertThat(made).doesNotContain("javascript:", "script:alert", "vbscript:", "data:text", "file:///etc", "evil", "//server/share", "ms-thing",
                "ddeauto");
        if (target != Target.TXT) assertThat(made).contains("ferries.example/times", "office@ferries.example");
        if (target != Target.PDF) assertThat(made).contains("result of the field");
        assertThat(receipt.findings()).extracting(Finding::what)
                .anyMatch(what -> what.matches("(\\d+ links that begin|A link that begins) with “javascript:” w.*"))
                .anyMatch(what -> what.contains("“file:”")).anyMatch(what -> what.contains("beside the document"));
        assertThat(receipt.findings()).extracting(Finding::what).doesNotHaveDuplicates();
    }

    @Test void schemesThatTheRecipeNamesPass() throws IOException {
        Receipt receipt = publish(linked(), REPLACING.to(Target.DOCX).passing(Set.of("relative", "ms-thing")), Passwords.NONE);
        assertThat(letters(receipt.file())).contains("evil.exe", "ms-thing:run").doesNotContain("javascript:");
    }

    @ParameterizedTest @MethodSource("factual") void factsAreStrippedAndWrittenAnewInEveryFormat(Target target) throws IOException {
        FactsRule rule = new FactsRule(true, "New \"title\" & <more>", null, "Mara Tolland", null, null);
        Receipt receipt = publish(linked(), REPLACING.to(target).with(rule), Passwords.NONE);
        assertThat(receipt.proven()).isTrue();
        assertThat(letters(receipt.file())).doesNotContain("Old title", "Old subject", "Old Author", "old, keywords");
        Facts facts = Decant.open(receipt.file()).document().facts();
        assertThat(facts.title()).isEqualTo("New \"title\" & <more>");
        assertThat(facts.author()).isEqualTo("Mara Tolland");
    }

    @Test void plainTextHasNoPlaceForFactsAndSaysSo() {
        FactsRule rule = new FactsRule(false, "Title", null, null, null, null);
        assertThatThrownBy(() -> publish(linked(), REPLACING.to(Target.TXT).with(rule), Passwords.NONE)).hasMessageContaining("no place for a title");
        assertThat(publish(linked(), REPLACING.to(Target.TXT).with(FactsRule.STRIP), Passwords.NONE).proven()).isTrue();
    }

    @Test void aWishForALockThatCannotBeMetIsRefusedBeforeAnythingIsMade() {
        Recipe.Locking all = new Recipe.Locking(Strength.AES_256, EnumSet.allOf(Permission.class));
        Recipe.Locking some = new Recipe.Locking(Strength.AES_256, EnumSet.of(Permission.PRINT));
        Passwords toOpen = new Passwords("harbour lights", "");
        for (Target target : Target.values()) {
            refused(REPLACING.to(target), toOpen);
            refused(REPLACING.to(target), new Passwords("", "owner"));
            refused(REPLACING.to(target).with(new Recipe.Locking(Strength.NONE, EnumSet.of(Permission.PRINT))), Passwords.NONE);
            if (target == Target.PDF) continue;
            refused(REPLACING.to(target).with(all), Passwords.NONE);
            refused(REPLACING.to(target).with(all), new Passwords("harbour lights", "owner"));
            refused(REPLACING.to(target).with(some), toOpen);
            if (!target.canLock()) refused(REPLACING.to(target).with(all), toOpen);
        }
    }

    private void refused(Recipe recipe, Passwords passwords) {
        assertThatThrownBy(() -> publish(linked(), recipe, passwords)).as(recipe.target() + " " + recipe.locking()).isInstanceOf(DecantException.class)
                .satisfies(e -> assertThat(((DecantException) e).kind()).isEqualTo(DecantException.Kind.WRONG_CALL));
        assertThat(folder.resolve("made." + recipe.target().ending())).doesNotExist();
    }

    @Test void whatIsForPdfsOnlyIsRefusedByNameElsewhere() {
        for (Recipe recipe : List.of(REPLACING.of(new PageRange("1")), REPLACING.split("{name} {n}"), REPLACING.with(List.of(Laid.watermark("DRAFT"))),
                REPLACING.with(PdfStyle.PLAIN.with(Standard.A_2B)), REPLACING.with(PdfStyle.PLAIN.linearized(true)), REPLACING.attaching(true))) {
            refused(recipe.to(Target.DOCX), Passwords.NONE);
            assertThat(publish(linked(), recipe.as(Target.DOCX), Passwords.NONE).proven()).isTrue();
            assertThat(folder.resolve("made.docx").toFile().delete()).isTrue();
        }
    }

    /** ISO 32000-1, table 21: a file of 40 bits is of revision 2 only where nothing is denied that revision 3 brought; table 22: what each bit means. */
    @ParameterizedTest @EnumSource(Permission.class) void whatIsChosenIsWhatReadersAllow(Permission alone) throws IOException {
        for (Strength strength : List.of(Strength.RC4_40, Strength.RC4_128, Strength.AES_128, Strength.AES_256)) {
            for (Set<Permission> allowed : List.of(EnumSet.of(alone), EnumSet.complementOf(EnumSet.of(alone)))) {
                Receipt receipt = publish(linked(), REPLACING.with(new Recipe.Locking(strength, allowed)), new Passwords("to open", "owner"));
                try (PDDocument pdf = Loader.loadPDF(receipt.file().toFile(), "to open")) {
                    int bits = pdf.getEncryption().getPermissions();
                    int revision = pdf.getEncryption().getRevision();
                    int[] bit = {3, 12, 4, 5, 6, 9, 10, 11};
                    for (Permission permission : Permission.values()) {
                        // A reader of revision 2 looks at bits 3 to 6 only.
                        int counts = revision == 2 ? new int[] {3, 3, 4, 5, 6, 6, 5, 4}[permission.ordinal()] : bit[permission.ordinal()];
                        assertThat((bits & 1 << counts - 1) != 0).as(strength + " " + allowed + " " + permission).isEqualTo(allowed.contains(permission));
                    }
                    assertThat(new AccessPermission(bits).canPrint()).isEqualTo(allowed.contains(Permission.PRINT));
                }
                if (allowed.contains(Permission.PRINT_FINE) && !allowed.contains(Permission.PRINT))
                    assertThat(receipt.findings()).extracting(Finding::what).anyMatch(what -> what.startsWith("Fine printing is allowed"));
            }
        }
    }

    /** ISO 32000-2, 7.6.4.3: passwords of 32 bytes, and of 127 with AES-256, are as good as shorter ones. */
    @Test void passwordsOfFullLengthLock() {
        for (Strength strength : List.of(Strength.RC4_128, Strength.AES_128, Strength.AES_256)) {
            String longest = "p".repeat(strength.longest());
            Receipt receipt = publish(linked(), REPLACING.with(new Recipe.Locking(strength, EnumSet.of(Permission.PRINT))),
                    new Passwords(longest, "o" + longest.substring(1)));
            assertThat(receipt.proven()).isTrue();
            assertThatThrownBy(() -> publish(linked(), REPLACING.with(new Recipe.Locking(strength, EnumSet.of(Permission.PRINT))),
                    new Passwords(longest + "p", "owner"))).hasMessageContaining("bytes");
        }
    }
}
