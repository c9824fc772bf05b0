package app.decant.pdf.keep;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.data.Offset.offset;

import app.decant.Decant;
import app.decant.Intake;
import app.decant.Revision;
import app.decant.document.Document;
import app.decant.document.Finding;
import app.decant.document.Inline;
import app.decant.document.Place;
import app.decant.document.Progress;
import app.decant.document.Walk;
import app.decant.edit.ObjectSelection;
import app.decant.edit.Pictures;
import app.decant.edit.TextSelection;
import app.decant.edit.Typing;
import app.decant.format.Taken;
import app.decant.pdf.PdfChoices;
import app.decant.pdf.PdfStyle;
import app.decant.pdf.Standard;
import app.decant.pdf.check.PdfCheck;
import app.decant.pdf.check.StandardCheck;
import app.decant.publish.FactsRule;
import app.decant.publish.Order;
import app.decant.publish.Receipt;
import app.decant.publish.Recipe;
import java.io.IOException;
import java.io.InputStream;
import java.io.OutputStream;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import org.apache.fontbox.ttf.CmapSubtable;
import org.apache.fontbox.ttf.TTFParser;
import org.apache.fontbox.ttf.TrueTypeFont;
import org.apache.pdfbox.Loader;
import org.apache.pdfbox.cos.COSArray;
import org.apache.pdfbox.cos.COSDictionary;
import org.apache.pdfbox.cos.COSInteger;
import org.apache.pdfbox.cos.COSName;
import org.apache.pdfbox.cos.COSStream;
import org.apache.pdfbox.io.RandomAccessReadBuffer;
import org.apache.pdfbox.pdmodel.PDDocument;
import org.apache.pdfbox.pdmodel.PDPage;
import org.apache.pdfbox.pdmodel.PDResources;
import org.apache.pdfbox.pdmodel.common.PDRectangle;
import org.apache.pdfbox.pdmodel.documentinterchange.logicalstructure.PDObjectReference;
import org.apache.pdfbox.pdmodel.documentinterchange.logicalstructure.PDStructureElement;
import org.apache.pdfbox.pdmodel.documentinterchange.logicalstructure.PDStructureNode;
import org.apache.pdfbox.pdmodel.font.PDFont;
import org.apache.pdfbox.pdmodel.interactive.annotation.PDAnnotation;
import org.apache.pdfbox.text.PDFTextStripper;
import org.apache.pdfbox.text.TextPosition;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;

/**
 * A PDF that is wished as an archive or accessible copy keeps its own pages and is repaired. Held to ISO 19005 and ISO 14289 by veraPDF, read back by PDFBox
 * and FontBox.
 */
class RepairedPagesTest {
    private static final String TWO_PAGES_OF_TEXT = """
            BT /F1 20 Tf 72 760 Td (Storage of tents) Tj ET
            BT /F1 11 Tf 72 720 Td 13 TL (Tents are dried for two days before they are) Tj
            (packed, and nothing heavy is laid upon them in the) '
            0.2 0 (store. Poles go in a bag of their own.) " ET
            BT /F1 11 Tf 72 660 Td [(1.) -600 (Dry the tent.)] TJ 0 -14 Td [(2.) -600 (Fold the tent.)] TJ 0 -14 Td [(3.) -600 (Label the bag.)] TJ ET
            0.7 g 300 40 20 20 re f 0 g
            """;

    private static final FactsRule TITLED = new FactsRule(false, "Tents", null, null, null, null);

    @TempDir private Path root;
    private List<String> found;

    /** A file while it is made by hand. */
    private final class Sheet {
        final PDDocument pdf = new PDDocument();
        final COSDictionary resources = new COSDictionary();

        Sheet() { resources.setItem(COSName.FONT, new COSDictionary()); }

        Sheet font(String name, String base, Map<COSName, COSArray> more) {
            COSDictionary font = new COSDictionary();
            font.setItem(COSName.TYPE, COSName.FONT);
            font.setItem(COSName.SUBTYPE, COSName.TYPE1);
            font.setName(COSName.BASE_FONT, base);
            font.setItem(COSName.ENCODING, COSName.WIN_ANSI_ENCODING);
            more.forEach(font::setItem);
            if (!more.isEmpty()) font.setInt(COSName.FIRST_CHAR, 'A');
            if (!more.isEmpty()) font.setInt(COSName.LAST_CHAR, 'C');
            resources.getCOSDictionary(COSName.FONT).setItem(COSName.getPDFName(name), font);
            return this;
        }

        COSStream stream(String content, COSName filter) throws IOException {
            COSStream stream = pdf.getDocument().createCOSStream();
            try (OutputStream out = filter == null ? stream.createOutputStream() : stream.createOutputStream(filter)) {
                out.write(content.getBytes(StandardCharsets.ISO_8859_1));
            }
            return stream;
        }

        PDPage page(String content) throws IOException {
            PDPage page = new PDPage(PDRectangle.A4);
            page.getCOSObject().setItem(COSName.CONTENTS, stream(content, null));
            page.setResources(new PDResources(resources));
            pdf.addPage(page);
            return page;
        }

        Path save(String name) throws IOException {
            Path file = root.resolve(name);
            try (pdf) {
                pdf.save(file.toFile());
            }
            return file;
        }
    }

    private Receipt publish(Path from, Standard standard) {
        Recipe recipe = Recipe.PLAIN.with(PdfStyle.PLAIN.with(standard)).with(TITLED);
        Intake intake = new Intake(from, null);
        Receipt receipt = publish(intake, recipe, from);
        found = intake.findings().stream().map(Finding::what).toList();
        assertThat(receipt.proofs()).allSatisfy(proof -> assertThat(proof.holds()).as(proof.sentence()).isTrue());
        return receipt;
    }

    private Receipt publish(Intake intake, Recipe recipe, Path from) {
        Order order = new Order(intake.pages(recipe, Progress.SILENT), recipe, Recipe.Passwords.NONE, from);
        return Decant.publish(order, root.resolve("result.pdf"), Progress.SILENT).get(0);
    }

    private static List<String> told(Receipt receipt) { return receipt.findings().stream().map(Finding::what).toList(); }

    private static List<String> proven(Receipt receipt) { return receipt.proofs().stream().map(PdfCheck.Proof::sentence).toList(); }

    /** Every letter and where it stands. */
    private static List<String> letters(Path file) throws IOException {
        List<String> letters = new ArrayList<>();
        try (PDDocument pdf = Loader.loadPDF(file.toFile())) {
            new PDFTextStripper() {
                @Override protected void processTextPosition(TextPosition text) {
                    if (!text.getUnicode().isBlank())
                        letters.add(String.format("%s %.1f %.1f %.2f", text.getUnicode(), text.getX(), text.getY(), text.getWidth()));
                }
            }.getText(pdf);
        }
        return letters;
    }

    private Path hostile() throws IOException {
        Sheet sheet = new Sheet().font("F1", "Helvetica", Map.of());
        PDPage page = sheet.page("BT /F1 14 Tf 72 700 Td (Kept for good \\223so\\224) Tj ET");
        page.getCOSObject().setItem(COSName.CONTENTS,
                sheet.stream("BT /F1 14 Tf 72 700 Td (Kept for good \\223so\\224) Tj ET 0.1 0.9 0.2 0 k 72 600 90 40 re f", COSName.LZW_DECODE));
        COSDictionary script = new COSDictionary();
        script.setItem(COSName.S, COSName.getPDFName("Named"));
        script.setName(COSName.N, "Print");
        sheet.pdf.getDocumentCatalog().getCOSObject().setItem(COSName.OPEN_ACTION, script);
        COSArray notes = new COSArray();
        for (String kind : List.of("Square", "Movie", "Text")) {
            COSDictionary note = new COSDictionary();
            note.setName(COSName.SUBTYPE, kind);
            note.setItem(COSName.RECT, new PDRectangle(300, 300, 40, 40).getCOSArray());
            note.setInt(COSName.F, kind.equals("Text") ? 2 : 0);
            notes.add(note);
        }
        COSDictionary looks = new COSDictionary();
        COSStream look = sheet.stream("1 0 0 RG 1 1 38 38 re S", null);
        look.setItem(COSName.SUBTYPE, COSName.FORM);
        look.setItem(COSName.BBOX, new PDRectangle(0, 0, 40, 40).getCOSArray());
        looks.setItem(COSName.N, look);
        ((COSDictionary) notes.get(1)).setItem(COSName.AP, looks);
        page.getCOSObject().setItem(COSName.ANNOTS, notes);
        return sheet.save("hostile.pdf");
    }

    @Test void whatAnArchiveForbidsIsRepairedAndNoLetterMoves() throws IOException {
        Path file = hostile();
        assertThat(StandardCheck.rules(file, Standard.A_2B)).extracting(StandardCheck.Broken::clause)
                .contains("6.2.11.4.1", "6.1.7.2", "6.2.4.3", "6.5.1", "6.3.1", "6.3.2", "6.3.3");
        for (Standard standard : List.of(Standard.A_1B, Standard.A_2B, Standard.A_2U, Standard.A_3B)) {
            Receipt receipt = publish(file, standard);
            assertThat(StandardCheck.rules(receipt.file(), standard)).isEmpty();
            assertThat(letters(receipt.file())).isEqualTo(letters(file));
            assertThat(told(receipt)).contains("The letters of Helvetica are not in the file; Liberation Sans was put in for them, each as wide as before.",
                    "An action that the standard forbids was taken out.",
                    "2 notes and fields that are seen but were not printed are printed now, as the standard asks.",
                    "A film, sound or model on its pages was taken out, which the standard forbids; what is seen of it stays.");
            assertThat(proven(receipt)).contains("Its page is the original's own, byte for byte", "What its pages say is what they said before the repair");
            try (PDDocument pdf = Loader.loadPDF(receipt.file().toFile())) {
                List<PDAnnotation> notes = pdf.getPage(0).getAnnotations();
                assertThat(notes).extracting(PDAnnotation::getSubtype).containsExactly("Square", "Stamp", "Text");
                assertThat(notes).allSatisfy(note -> assertThat(note.getAnnotationFlags()).isEqualTo(4));
                // What was hidden shows nothing still.
                try (InputStream in = notes.get(2).getNormalAppearanceStream().getContents()) {
                    assertThat(in.readAllBytes()).isEmpty();
                }
            }
            Files.delete(receipt.file());
        }
    }

    /** What people put into PDFs comes through: fields with what was filled in, layers, links; files only where the standard takes them. */
    @Test void whatAFileHasStaysUnderAnArchiveStandard() throws IOException {
        Path file = root.resolve("full.pdf");
        Files.write(file, FullFile.bytes());
        for (Standard standard : List.of(Standard.A_2B, Standard.A_3B)) {
            Receipt receipt = publish(file, standard);
            assertThat(StandardCheck.rules(receipt.file(), standard)).isEmpty();
            String left = "Files that travelled inside were left out, since PDF/A-2b holds none; PDF/A-3b keeps them.";
            assertThat(told(receipt).contains(left)).isEqualTo(standard == Standard.A_2B);
            try (PDDocument before = Loader.loadPDF(file.toFile()); PDDocument after = Loader.loadPDF(receipt.file().toFile())) {
                assertThat(after.getDocumentCatalog().getAcroForm().getField("Name1").getValueAsString()).isEqualTo("Filled in 1");
                assertThat(after.getDocumentCatalog().getOCProperties().getGroupNames()).containsExactly("Prices");
                assertThat(after.getDocumentCatalog().getPageLabels().getLabelsByPageIndices()).containsExactly("i", "ii", "1", "2");
                assertThat(after.getPage(1).getAnnotations()).hasSameSizeAs(before.getPage(1).getAnnotations());
                assertThat(after.getDocumentCatalog().getOpenAction()).isNull();
                COSArray associated = after.getDocumentCatalog().getCOSObject().getCOSArray(COSName.getPDFName("AF"));
                assertThat(associated == null ? 0 : associated.size()).isEqualTo(standard == Standard.A_3B ? 1 : 0);
                assertThat(after.getDocumentInformation().getCustomMetadataValue("File number")).isEqualTo("HO 12/6");
            }
            Files.delete(receipt.file());
        }
    }

    @Test void fontsThatAreAskedForGoInWithoutAnyStandard() throws IOException {
        Path file = hostile();
        Recipe recipe = Recipe.PLAIN.with(PdfStyle.PLAIN.with(PdfChoices.Fonts.WHOLE));
        Receipt receipt = Decant.publish(new Order(new Intake(file, null).pages(recipe, Progress.SILENT), recipe, Recipe.Passwords.NONE, file),
                root.resolve("result.pdf"), Progress.SILENT).get(0);
        assertThat(receipt.proofs()).allSatisfy(proof -> assertThat(proof.holds()).as(proof.sentence()).isTrue());
        assertThat(letters(receipt.file())).isEqualTo(letters(file));
        try (PDDocument pdf = Loader.loadPDF(receipt.file().toFile())) {
            assertThat(pdf.getPage(0).getResources().getFont(COSName.getPDFName("F1")).isEmbedded()).isTrue();
            assertThat(pdf.getPage(0).getAnnotations()).extracting(PDAnnotation::getSubtype).containsExactly("Square", "Movie", "Text");
        }
    }

    /** ISO 19005-2, 6.2.11.5: what the file says of widths and what the font does agree; letters are made narrower rather than run into the next. */
    @Test void aFaceThatStandsForAnotherIsAsWideAsThat() throws IOException {
        COSArray widths = new COSArray(List.of(COSInteger.get(500), COSInteger.get(667), COSInteger.get(1400)));
        Sheet sheet = new Sheet().font("F1", "Arial", Map.of(COSName.WIDTHS, widths));
        sheet.page("BT /F1 30 Tf 72 700 Td (ABC) Tj ET");
        Receipt receipt = publish(sheet.save("arial.pdf"), Standard.A_2B);
        try (PDDocument pdf = Loader.loadPDF(receipt.file().toFile())) {
            PDFont font = pdf.getPage(0).getResources().getFont(COSName.getPDFName("F1"));
            TrueTypeFont program = new TTFParser(true).parse(new RandomAccessReadBuffer(font.getFontDescriptor().getFontFile2().toByteArray()));
            CmapSubtable codes = program.getCmap().getSubtable(3, 0);
            double[] natural = {667, 667, 722};
            for (int i = 0; i < 3; i++) {
                int glyph = codes.getGlyphId(0xF000 + 'A' + i);
                double width = ((COSInteger) widths.get(i)).intValue();
                assertThat(program.getAdvanceWidth(glyph) * 1000.0 / program.getUnitsPerEm()).isCloseTo(width, offset(1.0));
                double drawn = program.getGlyph().getGlyph(glyph).getPath().getBounds2D().getWidth() * 1000 / program.getUnitsPerEm();
                // The C would become twice as wide: it stays as it is.
                double scale = i == 2 ? 1 : width / natural[i];
                assertThat(drawn / scale).isBetween(0.75 * natural[i], 1.05 * natural[i]);
            }
        }
    }

    @Test void whatCannotBeRepairedIsSetAnewAndSaid() throws IOException {
        Sheet sheet = new Sheet().font("F1", "Helvetica", Map.of());
        sheet.page("BT /F1 14 Tf 72 700 Td (An operator that nobody knows) Tj ET 3 4 frobnicate");
        publish(sheet.save("odd.pdf"), Standard.A_2B);
        assertThat(found).anyMatch(words -> words.startsWith("Its pages were set anew, since the original does not keep PDF/A-2b: colours and pictures"));
    }

    /** The elements of a file, each with its role, words for what it shows, and its text as the file's own streams show it. */
    private static List<String> elements(Path file) throws IOException {
        List<String> elements = new ArrayList<>();
        try (PDDocument pdf = Loader.loadPDF(file.toFile())) {
            elements(pdf.getDocumentCatalog().getStructureTreeRoot(), "", pdf, elements);
        }
        return elements;
    }

    private static void elements(PDStructureNode node, String indent, PDDocument pdf, List<String> elements) throws IOException {
        for (Object kid : node.getKids()) {
            if (kid instanceof PDObjectReference) elements.add(indent + "-> annotation");
            if (!(kid instanceof PDStructureElement element)) continue;
            String text = TaggedText.of(element, pdf);
            elements.add(indent + element.getStructureType() + (text.isEmpty() ? "" : ": " + text));
            elements(element, indent + "  ", pdf, elements);
        }
    }

    @Test void pagesWithoutStructureGetWhatWasFoundAndPaintTheSame() throws IOException {
        Sheet sheet = new Sheet().font("F1", "Helvetica", Map.of());
        PDPage page = sheet.page(TWO_PAGES_OF_TEXT);
        sheet.page(TWO_PAGES_OF_TEXT.replace("Storage of tents", "Storage of boats").replace("Tents", "Boats"));
        COSDictionary link = new COSDictionary();
        link.setName(COSName.SUBTYPE, "Link");
        link.setItem(COSName.RECT, new PDRectangle(72, 716, 30, 14).getCOSArray());
        COSDictionary action = new COSDictionary();
        action.setItem(COSName.S, COSName.URI);
        action.setString(COSName.URI, "https://harbour.example/tents");
        link.setItem(COSName.A, action);
        page.getCOSObject().setItem(COSName.ANNOTS, new COSArray(List.of(link)));
        Path file = sheet.save("plain.pdf");
        Receipt receipt = publish(file, Standard.A_2A_UA_1);
        assertThat(StandardCheck.rules(receipt.file(), Standard.A_2A_UA_1)).isEmpty();
        assertThat(letters(receipt.file())).isEqualTo(letters(file));
        assertThat(elements(receipt.file())).startsWith("Document", "  H1: Storage of tents", "  P: are dried for two days before they are"
                + "packed, and nothing heavy is laid upon them in thestore. Poles go in a bag of their own.", "    Link: Tents ", "      -> annotation", "  L",
                "    LI", "      Lbl: 1.", "      LBody: Dry the tent.", "    LI", "      Lbl: 2.", "      LBody: Fold the tent.");
        assertThat(proven(receipt)).contains("All 2 pages are the original's own: they paint the same, operator by operator");
    }

    /** Pages that say one line each are taken for heads; what they say is told nevertheless. */
    @Test void noPageThatSaysSomethingIsSilent() throws IOException {
        Sheet sheet = new Sheet().font("F1", "Helvetica", Map.of());
        for (int page = 1; page <= 6; page++) sheet.page("BT /F1 11 Tf 72 780 Td (Locker " + page + ") Tj ET");
        Receipt receipt = publish(sheet.save("lockers.pdf"), Standard.UA_1);
        String all = String.join(" ", elements(receipt.file()));
        for (int page = 1; page <= 6; page++) assertThat(all).contains("Locker " + page);
    }

    @Test void correctedPagesAreTaggedAsTheyAreNow() throws IOException {
        Sheet sheet = new Sheet().font("F1", "Helvetica", Map.of());
        sheet.page(TWO_PAGES_OF_TEXT);
        sheet.page(TWO_PAGES_OF_TEXT.replace("Storage of tents", "Storage of boats").replace("Tents", "Boats"));
        Path file = sheet.save("plain.pdf");
        Taken taken = Decant.open(file);
        Document now = typed(typed(taken.document(), "Fold", "Weigh and fold"), "heavy", "heavy or wet or sharp or otherwise to be feared");
        Revision revision = new Revision(Intake.original(file, null), taken);
        Recipe recipe = Recipe.PLAIN.with(PdfStyle.PLAIN.with(Standard.UA_1)).with(TITLED);
        Receipt receipt = publish(Intake.revised(file, null, revision, Decant.layOut(now)), recipe, file);
        assertThat(receipt.proofs()).allSatisfy(proof -> assertThat(proof.holds()).as(proof.sentence()).isTrue());
        assertThat(StandardCheck.rules(receipt.file(), Standard.UA_1)).isEmpty();
        assertThat(elements(receipt.file())).contains("      Lbl: 2.", "      LBody: Weigh and fold the tent.", "  H1: Storage of boats")
                .anyMatch(element -> element.replace(" ", "").contains("heavyorwetorsharporotherwisetobefearedislaiduponthem"));
    }

    /** Puts other words in the place of the first that reads so. */
    private static Document typed(Document before, String at, String text) {
        Walk.Stop stop = Walk.of(before).stops().stream().filter(one -> one.paragraph().text().contains(at)).findFirst().orElseThrow();
        int from = stop.paragraph().text().indexOf(at);
        return Typing.type(before, new TextSelection(new Place(stop.path(), from), new Place(stop.path(), from + at.length())), text, null).after();
    }

    /** A form that two pages call tells two elements, so each call has a copy; the form itself is what it was (ISO 32000-2, 14.7.5.2.3). */
    @Test void formsAreMarkedInCopiesOfTheirOwn() throws IOException {
        Sheet sheet = new Sheet().font("F1", "Helvetica", Map.of());
        COSStream form = sheet.stream("BT /F1 11 Tf 72 500 Td (What stands in a form is read as well, and told once for each page.) Tj ET", null);
        form.setItem(COSName.SUBTYPE, COSName.FORM);
        form.setItem(COSName.BBOX, new PDRectangle(0, 0, 600, 800).getCOSArray());
        COSDictionary objects = new COSDictionary();
        objects.setItem(COSName.getPDFName("X"), form);
        sheet.resources.setItem(COSName.XOBJECT, objects);
        sheet.page("BT /F1 18 Tf 72 700 Td (First) Tj ET /X Do");
        sheet.page("BT /F1 18 Tf 72 640 Td (Second) Tj ET q 1 0 0 1 0 -60 cm /X Do Q");
        Path file = sheet.save("forms.pdf");
        Receipt receipt = publish(file, Standard.UA_1);
        assertThat(StandardCheck.rules(receipt.file(), Standard.UA_1)).isEmpty();
        assertThat(letters(receipt.file())).isEqualTo(letters(file));
        assertThat(elements(receipt.file()).stream().filter(element -> element.contains("What stands in a form"))).hasSize(2);
    }

    @Test void aPictureAsksForWordsAndGivingThemTouchesNoPage() throws IOException {
        Sheet sheet = new Sheet().font("F1", "Helvetica", Map.of());
        COSStream picture = sheet.stream("\u0010\u0080\u00F0\u00FF\u0000\u0040\u0020\u00A0\u0011\u00C0\u0033\u0077", null);
        picture.setItem(COSName.SUBTYPE, COSName.IMAGE);
        for (COSName side : List.of(COSName.WIDTH, COSName.HEIGHT)) picture.setInt(side, 2);
        picture.setInt(COSName.BITS_PER_COMPONENT, 8);
        picture.setItem(COSName.COLORSPACE, COSName.DEVICERGB);
        COSDictionary objects = new COSDictionary();
        objects.setItem(COSName.getPDFName("P"), picture);
        sheet.resources.setItem(COSName.XOBJECT, objects);
        sheet.page("BT /F1 18 Tf 72 700 Td (A picture) Tj ET q 200 0 0 150 72 500 cm /P Do Q BT /F1 11 Tf 72 460 Td (It shows nothing but a colour.) Tj ET");
        Path file = sheet.save("picture.pdf");
        Recipe recipe = Recipe.PLAIN.with(PdfStyle.PLAIN.with(Standard.UA_1)).with(TITLED);
        Intake silent = new Intake(file, null);
        assertThatThrownBy(() -> publish(silent, recipe, file)).hasMessage("PDF/UA-1 asks for a description of every picture. One picture has none; "
                + "write it on the slip, or choose another standard.");
        assertThat(silent.findings()).isEmpty();

        Taken taken = Decant.open(file);
        Document before = taken.document();
        Document now = Pictures.describe(before, picture(before), "Six colours").after();
        Revision revision = new Revision(Intake.original(file, null), taken);
        Intake spoken = Intake.revised(file, null, revision, Decant.layOut(now));
        Receipt receipt = publish(spoken, recipe, file);
        assertThat(StandardCheck.rules(receipt.file(), Standard.UA_1)).isEmpty();
        assertThat(proven(receipt)).contains("Its page is the original's own: it paints the same, operator by operator");
        try (PDDocument pdf = Loader.loadPDF(receipt.file().toFile())) {
            assertThat(described(pdf.getDocumentCatalog().getStructureTreeRoot())).containsExactly("Six colours");
        }
    }

    private static ObjectSelection picture(Document document) {
        for (Walk.Stop stop : Walk.of(document).stops()) {
            int at = 0;
            for (Inline inline : stop.paragraph().inlines()) {
                if (inline instanceof Inline.InlinePicture) return new ObjectSelection(new Place(stop.path(), at));
                at += inline.length();
            }
        }
        throw new AssertionError("No picture came in");
    }

    private static List<String> described(PDStructureNode node) {
        List<String> words = new ArrayList<>();
        for (Object kid : node.getKids()) {
            if (!(kid instanceof PDStructureElement element)) continue;
            if (element.getStructureType().equals("Figure")) words.add(element.getAlternateDescription());
            words.addAll(described(element));
        }
        return words;
    }
}
