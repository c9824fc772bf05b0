package app.decant.recover;

import app.decant.document.DecantException;
import app.decant.document.Progress;
import app.decant.document.Provenance;
import app.decant.font.FontCatalogue;
import app.decant.format.Content;
import app.decant.format.Format;
import app.decant.format.FormatFamily;
import app.decant.format.FormatName;
import app.decant.format.Taken;
import app.decant.pdf.PdfDoor;
import java.io.IOException;
import java.util.List;
import java.util.Set;
import org.apache.pdfbox.pdmodel.PDDocument;
import org.slf4j.LoggerFactory;

/** What stands on its pages once and for all and is recovered from them: PDFs, and pictures of pages. */
public enum FixedFormat implements Format {
    PNG("png", Group.PICTURE) {
        @Override public boolean isOf(Content content) { return content.startsWith(0x89, 'P', 'N', 'G'); }
    },
    JPEG("jpg", Group.PICTURE) {
        @Override public Set<String> endings() { return Set.of("jpg", "jpeg"); }
        @Override public boolean isOf(Content content) { return content.startsWith(0xFF, 0xD8, 0xFF); }
    },
    TIFF("tif", Group.PICTURE) {
        @Override public Set<String> endings() { return Set.of("tif", "tiff"); }
        @Override public boolean isOf(Content content) { return content.startsWith('I', 'I', 42, 0) || content.startsWith('M', 'M', 0, 42); }
    },
    GIF("gif", Group.PICTURE) {
        @Override public boolean isOf(Content content) { return content.startsWith('G', 'I', 'F', '8'); }
    },
    BMP("bmp", Group.PICTURE) {
        @Override public boolean isOf(Content content) {
            byte[] file = content.bytes();
            return content.startsWith('B', 'M') && file.length > 26 && file[6] == 0 && file[7] == 0;
        }
    },
    PDF("pdf", Group.PDF) {
        @Override public boolean isOf(Content content) {
            return !content.isArchive() && !content.isCompound() && (content.head().contains("%PDF-") || PdfDoor.isHidden(content.bytes()));
        }

        @Override public boolean locks() { return true; }

        /** Its text need not be recovered for that. */
        @Override public boolean opens(Content content, String password) {
            try (PDDocument pdf = PdfDoor.open(content.bytes(), content.name(), password)) {
                return pdf.getNumberOfPages() >= 0;
            } catch (DecantException e) {
                if (e.kind() != DecantException.Kind.NEEDS_PASSWORD) throw e;
                return false;
            } catch (IOException e) {
                LoggerFactory.getLogger(FixedFormat.class).debug("{} does not close", content.name(), e);
                return true;
            }
        }
    };

    private final FormatName named;

    FixedFormat(String ending, Group group) { named = new FormatName(ending, group); }

    @Override public FormatName named() { return named; }
    @Override public boolean reads() { return true; }

    /** The file as a PDF: as it is, or a page for each picture. */
    public byte[] pages(byte[] file, String name) { return this == PDF ? file : PicturePages.pdf(file, name); }

    @Override public Taken read(Content content, String password, Progress progress) {
        Recovered recovered = Recovery.of(pages(content.bytes(), content.name()), content.name(), password, FontCatalogue.ofThisMachine(), progress);
        return new Taken(recovered.document(), recovered.findings(), this == PDF ? recovered.provenance() : Provenance.NONE);
    }

    @Override public Taken words(Content content, String password, Progress progress) {
        Recovered recovered = Recovery.words(pages(content.bytes(), content.name()), content.name(), password, FontCatalogue.ofThisMachine(), progress);
        return new Taken(recovered.document(), recovered.findings());
    }

    /** All of them. */
    public static final class Family implements FormatFamily {
        @Override public List<Format> formats() { return List.of(values()); }
    }
}
