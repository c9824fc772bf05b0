package app.decant.pdf.write;

import app.decant.document.Facts;
import app.decant.pdf.Attachment;
import app.decant.pdf.Opening;
import app.decant.pdf.PdfChoices;
import java.awt.color.ColorSpace;
import java.awt.color.ICC_Profile;
import java.io.ByteArrayInputStream;
import java.io.IOException;
import java.time.ZoneOffset;
import java.util.GregorianCalendar;
import java.util.List;
import java.util.Map;
import java.util.TreeMap;
import org.apache.pdfbox.cos.COSArray;
import org.apache.pdfbox.cos.COSDictionary;
import org.apache.pdfbox.cos.COSFloat;
import org.apache.pdfbox.cos.COSName;
import org.apache.pdfbox.cos.COSNull;
import org.apache.pdfbox.pdmodel.PDDocument;
import org.apache.pdfbox.pdmodel.PDDocumentNameDictionary;
import org.apache.pdfbox.pdmodel.PDEmbeddedFilesNameTreeNode;
import org.apache.pdfbox.pdmodel.common.PDNameTreeNode;
import org.apache.pdfbox.pdmodel.common.filespecification.PDComplexFileSpecification;
import org.apache.pdfbox.pdmodel.common.filespecification.PDEmbeddedFile;
import org.apache.pdfbox.pdmodel.graphics.color.PDOutputIntent;

/** Writes what a PDF says of itself as a whole: facts, how it opens, what its colours mean, what travels inside (ISO 32000-1, 7.7.2). */
public final class CatalogueWriter {
    private static final COSName AF = COSName.getPDFName("AF");

    private final PDDocument pdf;
    private final PdfChoices choices;
    private final boolean hasBookmarks;
    private final COSDictionary catalog;

    public CatalogueWriter(PDDocument pdf, PdfChoices choices, boolean hasBookmarks) {
        this.pdf = pdf;
        this.choices = choices;
        this.hasBookmarks = hasBookmarks;
        catalog = pdf.getDocumentCatalog().getCOSObject();
    }

    void write() throws IOException {
        Facts facts = choices.facts();
        DocumentFacts.write(pdf, facts, DocumentFacts.Times.of(choices), choices.style().standard());
        String language = facts.language() == null && choices.style().tells() ? "en" : facts.language();
        if (language != null) pdf.getDocumentCatalog().setLanguage(language);
        opening();
        if (choices.style().standard().isArchive()) colours();
        if (!choices.attachments().isEmpty()) attachments();
    }

    /** How it opens: 12.2, 12.3.2 and table 28. */
    public void opening() {
        Opening opening = choices.style().opening();
        boolean bookmarks = opening.panel() == Opening.Panel.BOOKMARKS && hasBookmarks;
        String mode = opening.fullScreen() ? "FullScreen" : bookmarks ? "UseOutlines" : opening.panel() == Opening.Panel.PAGE_PICTURES ? "UseThumbs"
                : opening.panel() == Opening.Panel.ATTACHMENTS ? "UseAttachments" : null;
        if (mode != null) catalog.setName(COSName.PAGE_MODE, mode);
        String layout = switch (opening.arrangement()) {
            case AS_BEFORE -> null;
            case ONE_PAGE -> "SinglePage";
            case ONE_COLUMN -> "OneColumn";
            case SPREADS -> "TwoPageLeft";
            case SPREADS_FROM_COVER -> "TwoPageRight";
        };
        if (layout != null) catalog.setName(COSName.PAGE_LAYOUT, layout);
        COSDictionary preferences = new COSDictionary();
        boolean titled = opening.titled() && choices.facts().title() != null || choices.style().standard().isAccessible();
        if (titled) preferences.setBoolean(COSName.getPDFName("DisplayDocTitle"), true);
        if (opening.hidden()) for (String what : new String[] {"HideToolbar", "HideMenubar"}) preferences.setBoolean(COSName.getPDFName(what), true);
        if (opening.fullScreen()) preferences.setName(COSName.getPDFName("NonFullScreenPageMode"), bookmarks ? "UseOutlines" : "UseNone");
        printing(opening.printing(), preferences);
        if (preferences.size() > 0) catalog.setItem(COSName.VIEWER_PREFERENCES, preferences);
        if (opening.page() > 0 || opening.zoom() != Opening.AS_BEFORE) {
            COSArray place = new COSArray();
            place.add(pdf.getPage(Math.max(0, Math.min(pdf.getNumberOfPages(), Math.max(1, opening.page())) - 1)).getCOSObject());
            if (opening.zoom() == Opening.WHOLE_PAGE) {
                place.add(COSName.getPDFName("Fit"));
            } else if (opening.zoom() == Opening.PAGE_WIDTH) {
                place.add(COSName.getPDFName("FitH"));
                place.add(COSNull.NULL);
            } else {
                place.add(COSName.getPDFName("XYZ"));
                place.add(COSNull.NULL);
                place.add(COSNull.NULL);
                place.add(opening.zoom() > 0 ? new COSFloat((float) opening.zoom()) : COSNull.NULL);
            }
            catalog.setItem(COSName.OPEN_ACTION, place);
        }
    }

    private static void printing(Opening.Printing printing, COSDictionary preferences) {
        if (printing.copies() > 0) preferences.setInt(COSName.getPDFName("NumCopies"), printing.copies());
        if (printing.natural()) preferences.setName(COSName.getPDFName("PrintScaling"), "None");
        String sides = switch (printing.sides()) {
            case AS_BEFORE -> null;
            case ONE -> "Simplex";
            case BOTH_LIKE_A_BOOK -> "DuplexFlipLongEdge";
            case BOTH_LIKE_A_NOTEPAD -> "DuplexFlipShortEdge";
        };
        if (sides != null) preferences.setName(COSName.getPDFName("Duplex"), sides);
    }

    /** What the numbers of colours mean, so that they look the same in a hundred years (ISO 19005-1, 6.2.2). */
    private void colours() throws IOException {
        byte[] profile = ICC_Profile.getInstance(ColorSpace.CS_sRGB).getData();
        PDOutputIntent intent = new PDOutputIntent(pdf, new ByteArrayInputStream(profile));
        intent.setInfo("sRGB IEC61966-2.1");
        intent.setOutputCondition("sRGB IEC61966-2.1");
        intent.setOutputConditionIdentifier("sRGB IEC61966-2.1");
        intent.setRegistryName("http://www.color.org");
        pdf.getDocumentCatalog().addOutputIntent(intent);
    }

    /** What travels inside, beside what does so already. */
    public void attachments() throws IOException {
        PDEmbeddedFilesNameTreeNode names = new PDEmbeddedFilesNameTreeNode();
        PDDocumentNameDictionary dictionary = new PDDocumentNameDictionary(pdf.getDocumentCatalog());
        TreeMap<String, PDComplexFileSpecification> files = new TreeMap<>();
        if (dictionary.getEmbeddedFiles() != null) gather(dictionary.getEmbeddedFiles(), files, 0);
        COSArray associated = catalog.getCOSArray(AF) == null ? new COSArray() : catalog.getCOSArray(AF);
        for (Attachment attachment : choices.attachments()) {
            PDEmbeddedFile file = new PDEmbeddedFile(pdf, new ByteArrayInputStream(attachment.bytes()), COSName.FLATE_DECODE);
            file.setSubtype(attachment.type());
            file.setSize(attachment.bytes().length);
            file.setCreationDate(GregorianCalendar.from(choices.when().atZone(ZoneOffset.UTC)));
            file.setModDate(GregorianCalendar.from(choices.when().atZone(ZoneOffset.UTC)));
            PDComplexFileSpecification specification = new PDComplexFileSpecification();
            specification.setFile(attachment.name());
            specification.setFileUnicode(attachment.name());
            specification.setFileDescription(attachment.description());
            specification.setEmbeddedFile(file);
            specification.setEmbeddedFileUnicode(file);
            // ISO 19005-3, 6.8: how the file relates to the document.
            specification.getCOSObject().setName(COSName.getPDFName("AFRelationship"), "Source");
            String name = attachment.name();
            takeOut(attachment.name(), files, associated);
            for (int i = 2; files.containsKey(name); i++) name = attachment.name() + " " + i;
            files.put(name, specification);
            associated.add(specification.getCOSObject());
        }
        names.setNames(files);
        dictionary.setEmbeddedFiles(names);
        pdf.getDocumentCatalog().setNames(dictionary);
        if (choices.style().standard().part() == 3 || choices.version() >= 2) catalog.setItem(AF, associated);
    }

    /** What a document was made from is there once: the newer takes the place of the older. */
    private static void takeOut(String name, Map<String, PDComplexFileSpecification> files, COSArray associated) {
        for (PDComplexFileSpecification file : List.copyOf(files.values())) {
            COSDictionary told = file.getCOSObject();
            boolean source = "Source".equals(told.getNameAsString(COSName.getPDFName("AFRelationship")));
            if (!source || !name.equals(told.getString(COSName.UF, told.getString(COSName.F)))) continue;
            files.values().remove(file);
            for (int i = associated.size() - 1; i >= 0; i--) if (associated.getObject(i) == told) associated.remove(i);
        }
    }

    /** The files of a name tree (7.9.6). */
    private static void gather(PDNameTreeNode<PDComplexFileSpecification> node, Map<String, PDComplexFileSpecification> files, int depth) throws IOException {
        if (node.getNames() != null) node.getNames().forEach(files::putIfAbsent);
        if (node.getKids() != null && depth < 64) for (PDNameTreeNode<PDComplexFileSpecification> kid : node.getKids()) gather(kid, files, depth + 1);
    }
}
