package app.decant.format.kept;

import app.decant.document.DecantException.Kind;
import app.decant.document.DecantException;
import app.decant.document.Document;
import app.decant.document.Progress;
import app.decant.format.Archive;
import app.decant.format.Taken;
import app.decant.words.Message;
import com.fasterxml.jackson.core.JsonGenerator;
import com.fasterxml.jackson.core.JsonParser;
import com.fasterxml.jackson.core.JsonToken;
import com.fasterxml.jackson.databind.JsonMappingException;
import java.io.IOException;
import java.io.OutputStream;
import java.util.List;
import java.util.Map;

/** Documents as the program keeps them for itself: everything, and nothing changed. */
public final class KeptDocument {
    /** What the archive says it is. */
    public static final String MEDIA_TYPE = "application/x-decant-document";
    /** Of file names, without its stop. */
    public static final String ENDING = "decant";
    private static final int VERSION = 1;
    private static final String VALUES = "document.json";
    private static final String BYTES = "bytes/";

    private KeptDocument() { }

    /** Writes a document as it is; the same document gives the same bytes. */
    public static void write(Document document, OutputStream out) throws IOException {
        try (Archive.Packing archive = Archive.packing(MEDIA_TYPE, out)) {
            Bytes bytes = new Bytes();
            try (JsonGenerator json = KeptValues.MAPPER.getFactory().createGenerator(archive.part(VALUES))) {
                json.disable(JsonGenerator.Feature.AUTO_CLOSE_TARGET);
                json.writeStartObject();
                json.writeNumberField("version", VERSION);
                json.writeFieldName("document");
                KeptValues.writer(bytes).writeValue(json, document);
                json.writeEndObject();
            } catch (JsonMappingException e) {
                // So the library tells of a stack that ran over.
                if (e.getCause() instanceof StackOverflowError) throw tooDeep(e);
                throw e;
            } catch (StackOverflowError e) {
                throw tooDeep(e);
            }
            int number = 0;
            for (byte[] one : bytes.all()) archive.part(BYTES + number++).write(one);
        }
    }

    /**
     * Reads a document that was kept.
     *
     * @throws DecantException where it is damaged, or kept by a later version of the program
     */
    public static Taken read(byte[] file, Progress progress) {
        Map<String, byte[]> parts = Archive.parts(file);
        progress.step(0, 1, Message.of("step.reading"));
        byte[] values = parts.get(VALUES);
        if (values == null) throw damaged(null);
        try (JsonParser json = KeptValues.MAPPER.getFactory().createParser(values)) {
            if (json.nextToken() != JsonToken.START_OBJECT || !"version".equals(json.nextFieldName())) throw damaged(null);
            if (json.nextIntValue(0) > VERSION)
                throw new DecantException(Kind.UNSUPPORTED, Message.of("kept.this-was-kept-by-a-later-version"));
            if (!"document".equals(json.nextFieldName())) throw damaged(null);
            json.nextToken();
            Document document = KeptValues.reader(index -> parts.get(BYTES + index)).readValue(json, Document.class);
            if (document == null) throw damaged(null);
            return new Taken(document, List.of());
        } catch (IOException | IllegalArgumentException | NullPointerException e) {
            throw damaged(e);
        } catch (StackOverflowError e) {
            throw new DecantException(Kind.UNREADABLE, Message.of("kept.what-was-kept-nests-deeper-than-any"), e);
        }
    }

    private static DecantException tooDeep(Throwable cause) {
        return new DecantException(Kind.UNSUPPORTED, Message.of("kept.the-document-nests-deeper-than-any-real"), cause);
    }

    private static DecantException damaged(Exception cause) {
        return new DecantException(Kind.UNREADABLE, Message.of("kept.what-was-kept-of-this-document"), cause);
    }
}
