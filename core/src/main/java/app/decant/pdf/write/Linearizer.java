package app.decant.pdf.write;

import app.decant.pdf.lock.DocumentLock;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.io.OutputStream;
import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.HashSet;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Set;
import java.util.TreeSet;
import org.apache.pdfbox.Loader;
import org.apache.pdfbox.cos.COSArray;
import org.apache.pdfbox.cos.COSBase;
import org.apache.pdfbox.cos.COSDictionary;
import org.apache.pdfbox.cos.COSName;
import org.apache.pdfbox.cos.COSObject;
import org.apache.pdfbox.cos.COSObjectKey;
import org.apache.pdfbox.cos.COSStream;
import org.apache.pdfbox.pdmodel.PDDocument;

/**
 * Puts a PDF into the order in which it can be shown from the web while it is still coming (ISO 32000-1, Annex F): what the first page needs
 * stands first, and hint tables say where every other page is.
 */
public final class Linearizer {
    private static final String HEADER = "%%PDF-%.1f\n%%\u00E2\u00E3\u00CF\u00D3\n";

    private final DocumentLock lock;
    private final ObjectUse use;
    private final COSDictionary trailer;
    private final COSObject root;
    private final List<COSObject> pages = new ArrayList<>();
    private final double version;
    private final List<COSObjectKey> document = new ArrayList<>();
    private final List<COSObjectKey> first = new ArrayList<>();
    private final List<List<COSObjectKey>> rest = new ArrayList<>();
    private final List<COSObjectKey> shared = new ArrayList<>();
    private final List<COSObjectKey> others = new ArrayList<>();
    private final Map<COSObjectKey, Integer> numbers = new HashMap<>();
    private final Map<COSObjectKey, byte[]> bytes = new HashMap<>();

    private Linearizer(PDDocument pdf, DocumentLock lock) {
        this.lock = lock;
        trailer = pdf.getDocument().getTrailer();
        root = (COSObject) trailer.getItem(COSName.ROOT);
        version = pdf.getVersion();
        gather(((COSDictionary) root.getObject()).getItem(COSName.PAGES), new HashSet<>());
        use = new ObjectUse(trailer, (COSDictionary) root.getObject(), pages);
    }

    /**
     * Writes a PDF again.
     *
     * @param plain a file without object streams, not encrypted
     * @param lock  by which it becomes so, or null
     */
    public static void write(byte[] plain, DocumentLock lock, OutputStream out) throws IOException {
        try (PDDocument pdf = Loader.loadPDF(plain)) {
            Linearizer linearizer = new Linearizer(pdf, lock);
            // Only now, so that the entry which tells of the lock is not taken for an object like others.
            if (lock != null) lock.prepareDocumentForEncryption(pdf);
            linearizer.write(out);
        }
    }

    private void gather(COSBase node, Set<COSObjectKey> seen) {
        if (!(node instanceof COSObject reference) || !(reference.getObject() instanceof COSDictionary dictionary) || !seen.add(reference.getKey())) return;
        COSArray kids = dictionary.getCOSArray(COSName.KIDS);
        if (kids == null) pages.add(reference);
        else for (int i = 0; i < kids.size(); i++) gather(kids.get(i), seen);
    }

    private void write(OutputStream out) throws IOException {
        sort();
        number();
        ObjectBytes writer = new ObjectBytes(numbers, lock);
        use.objects.put(root.getKey(), root.getObject());
        for (Map.Entry<COSObjectKey, COSBase> entry : use.objects.entrySet())
            if (numbers.containsKey(entry.getKey())) bytes.put(entry.getKey(), writer.object(numbers.get(entry.getKey()), entry.getValue()));
        assemble(writer, out);
    }

    /** The parts of the file (F.3.1): the document's own objects, the first page's, each other page's, what pages share, everything else. */
    private void sort() {
        Set<COSObjectKey> placed = new LinkedHashSet<>();
        boolean outlinesAtOnce = "UseOutlines".equals(((COSDictionary) root.getObject()).getNameAsString(COSName.PAGE_MODE));
        place(root.getKey(), document, placed);
        for (COSObjectKey key : use.atOnce) if (!use.outlines.contains(key)) place(key, document, placed);
        place(pages.get(0).getKey(), first, placed);
        if (outlinesAtOnce) placeOutlines(first, placed);
        Set<COSObjectKey> mine = new TreeSet<>(use.pages.get(0));
        mine.removeAll(use.outlines);
        for (COSObjectKey key : mine) if (use.users(key) == 1 && !use.others.contains(key)) place(key, first, placed);
        for (COSObjectKey key : mine) place(key, first, placed);
        for (int i = 1; i < pages.size(); i++) {
            List<COSObjectKey> own = new ArrayList<>();
            place(pages.get(i).getKey(), own, placed);
            for (COSObjectKey key : use.pages.get(i))
                if (use.users(key) == 1 && !use.others.contains(key) && !use.outlines.contains(key)) place(key, own, placed);
            rest.add(own);
        }
        for (Set<COSObjectKey> used : use.pages)
            for (COSObjectKey key : new TreeSet<>(used)) if (use.users(key) > 1 && !use.outlines.contains(key)) place(key, shared, placed);
        shared.sort(null);
        placeOutlines(others, placed);
        for (COSObjectKey key : use.objects.keySet()) place(key, others, placed);
    }

    /** Bookmarks stand together, their root first, so that one entry of the hint table finds them all. */
    private void placeOutlines(List<COSObjectKey> part, Set<COSObjectKey> placed) {
        if (((COSDictionary) root.getObject()).getItem(COSName.OUTLINES) instanceof COSObject outlines && use.outlines.contains(outlines.getKey()))
            place(outlines.getKey(), part, placed);
        for (COSObjectKey key : use.outlines) place(key, part, placed);
    }

    private static void place(COSObjectKey key, List<COSObjectKey> part, Set<COSObjectKey> placed) { if (placed.add(key)) part.add(key); }

    /** The second half is numbered first, so that the first table of places covers one run of numbers (F.3.4). */
    private void number() {
        int next = 1;
        for (List<COSObjectKey> own : rest) for (COSObjectKey key : own) numbers.put(key, next++);
        for (COSObjectKey key : shared) numbers.put(key, next++);
        for (COSObjectKey key : others) numbers.put(key, next++);
        next++; // the linearization dictionary
        for (COSObjectKey key : document) numbers.put(key, next++);
        next++; // the hint stream
        for (COSObjectKey key : first) numbers.put(key, next++);
    }

    private void assemble(ObjectBytes writer, OutputStream out) throws IOException {
        int secondHalf = rest.stream().mapToInt(List::size).sum() + shared.size() + others.size();
        int dictionaryNumber = secondHalf + 1;
        int hintNumber = dictionaryNumber + document.size() + 1;
        int size = hintNumber + first.size() + 1;
        byte[] header = String.format(Locale.ROOT, HEADER, version).getBytes(StandardCharsets.ISO_8859_1);
        int dictionaryLength = dictionary(dictionaryNumber, 0, 0, 0, 0, 0, 0).length;
        int tableLength = table(dictionaryNumber, new long[size - dictionaryNumber]).length;
        int trailerLength = trailer(writer, size, 0).length;
        long at = header.length + dictionaryLength + tableLength + trailerLength;
        Map<COSObjectKey, Long> places = new HashMap<>();
        for (COSObjectKey key : document) at = placed(key, at, places);
        long hintAt = at;
        // Places in hint tables are told as if the hint stream were not there (F.4.1).
        for (COSObjectKey key : first) at = placed(key, at, places);
        long firstEnd = at;
        for (List<COSObjectKey> own : rest) for (COSObjectKey key : own) at = placed(key, at, places);
        for (COSObjectKey key : shared) at = placed(key, at, places);
        for (COSObjectKey key : others) at = placed(key, at, places);
        byte[] hint = hint(writer, hintNumber, places);
        long mainTable = at + hint.length;
        long[] front = new long[size - dictionaryNumber];
        front[0] = header.length;
        front[hintNumber - dictionaryNumber] = hintAt;
        for (COSObjectKey key : document) front[numbers.get(key) - dictionaryNumber] = places.get(key);
        for (COSObjectKey key : first) front[numbers.get(key) - dictionaryNumber] = places.get(key) + hint.length;
        long[] back = new long[secondHalf + 1];
        for (List<COSObjectKey> own : rest) for (COSObjectKey key : own) back[numbers.get(key)] = places.get(key) + hint.length;
        for (COSObjectKey key : shared) back[numbers.get(key)] = places.get(key) + hint.length;
        for (COSObjectKey key : others) back[numbers.get(key)] = places.get(key) + hint.length;
        byte[] main = table(0, back);
        String end = "trailer\n<</Size " + (secondHalf + 1) + ">>\nstartxref\n" + (header.length + dictionaryLength) + "\n%%EOF\n";
        long length = mainTable + main.length + end.length();
        String mainHead = "xref\n0 " + back.length + "\n";
        out.write(header);
        out.write(dictionary(dictionaryNumber, length, hintAt, hint.length, numbers.get(pages.get(0).getKey()), firstEnd + hint.length, mainTable
                + mainHead.length() - 1));
        out.write(table(dictionaryNumber, front));
        out.write(trailer(writer, size, mainTable));
        for (COSObjectKey key : document) out.write(bytes.get(key));
        out.write(hint);
        for (COSObjectKey key : first) out.write(bytes.get(key));
        for (List<COSObjectKey> own : rest) for (COSObjectKey key : own) out.write(bytes.get(key));
        for (COSObjectKey key : shared) out.write(bytes.get(key));
        for (COSObjectKey key : others) out.write(bytes.get(key));
        out.write(main);
        out.write(end.getBytes(StandardCharsets.US_ASCII));
    }

    private long placed(COSObjectKey key, long at, Map<COSObjectKey, Long> places) {
        places.put(key, at);
        return at + bytes.get(key).length;
    }

    /** Table F.1; numbers padded, so that its length is known before they are. */
    private byte[] dictionary(int number, long length, long hintAt, long hintLength, int firstPage, long firstEnd, long mainTable) {
        String text = number + " 0 obj\n<</Linearized 1 /L " + padded(length) + " /H [" + padded(hintAt) + " " + padded(hintLength) + "] /O "
                + padded(firstPage) + " /E " + padded(firstEnd) + " /N " + pages.size() + " /T " + padded(mainTable) + ">>\nendobj\n";
        return text.getBytes(StandardCharsets.US_ASCII);
    }

    private static String padded(long value) { return String.format(Locale.ROOT, "%-10d", value); }

    /** A table of places (7.5.4). */
    private static byte[] table(int from, long[] places) {
        StringBuilder text = new StringBuilder("xref\n" + from + " " + places.length + "\n");
        for (int i = 0; i < places.length; i++)
            text.append(from + i == 0 ? "0000000000 65535 f \n" : String.format(Locale.ROOT, "%010d 00000 n \n", places[i]));
        return text.toString().getBytes(StandardCharsets.US_ASCII);
    }

    private byte[] trailer(ObjectBytes writer, int size, long mainTable) throws IOException {
        ByteArrayOutputStream out = new ByteArrayOutputStream();
        ObjectBytes.ascii(out, "trailer\n<</Size " + size + " /Root " + numbers.get(root.getKey()) + " 0 R ");
        for (COSName name : new COSName[] {COSName.INFO, COSName.ID, COSName.ENCRYPT}) {
            if (trailer.getItem(name) == null) continue;
            ObjectBytes.ascii(out, "/" + name.getName() + " ");
            writer.write(out, trailer.getItem(name));
            ObjectBytes.ascii(out, " ");
        }
        ObjectBytes.ascii(out, "/Prev " + padded(mainTable) + ">>\nstartxref\n0\n%%EOF\n");
        return out.toByteArray();
    }

    private byte[] hint(ObjectBytes writer, int number, Map<COSObjectKey, Long> places) throws IOException {
        HintBits table = new HintBits();
        pageTable(table, places);
        int sharedAt = table.length();
        sharedTable(table, places);
        int outlinesAt = table.length();
        if (!use.outlines.isEmpty()) outlineTable(table, places);
        COSStream stream = new COSStream();
        stream.setInt(COSName.S, sharedAt);
        if (!use.outlines.isEmpty()) stream.setInt(COSName.O, outlinesAt);
        try (OutputStream data = stream.createRawOutputStream()) {
            data.write(table.bytes());
        }
        return writer.object(number, stream);
    }

    /** Table F.9: where bookmarks are. */
    private void outlineTable(HintBits table, Map<COSObjectKey, Long> places) {
        COSObjectKey head = ((COSObject) ((COSDictionary) root.getObject()).getItem(COSName.OUTLINES)).getKey();
        table.put(numbers.get(head), 32);
        table.put(places.get(head), 32);
        table.put(use.outlines.size(), 32);
        table.put(lengthOf(List.copyOf(use.outlines)), 32);
    }

    private long lengthOf(List<COSObjectKey> keys) { return keys.stream().mapToLong(key -> bytes.get(key).length).sum(); }

    /** Tables F.3 and F.4: for each page how many objects, how long, and which shared ones. */
    private void pageTable(HintBits table, Map<COSObjectKey, Long> places) {
        List<Integer> counts = new ArrayList<>(List.of(first.size()));
        List<Long> lengths = new ArrayList<>(List.of(lengthOf(first)));
        for (List<COSObjectKey> own : rest) {
            counts.add(own.size());
            lengths.add(lengthOf(own));
        }
        Map<COSObjectKey, Integer> identifiers = new HashMap<>();
        for (COSObjectKey key : first) identifiers.put(key, identifiers.size());
        for (COSObjectKey key : shared) identifiers.put(key, identifiers.size());
        List<List<Integer>> references = new ArrayList<>(List.of(List.of()));
        for (int i = 1; i < pages.size(); i++) references.add(use.pages.get(i).stream().filter(identifiers::containsKey).map(identifiers::get).toList());
        int leastCount = counts.stream().mapToInt(Integer::intValue).min().orElse(0);
        long leastLength = lengths.stream().mapToLong(Long::longValue).min().orElse(0);
        int countBits = HintBits.width(counts.stream().mapToInt(Integer::intValue).max().orElse(0) - leastCount);
        int lengthBits = HintBits.width(lengths.stream().mapToLong(Long::longValue).max().orElse(0) - leastLength);
        int referenceBits = HintBits.width(references.stream().mapToInt(List::size).max().orElse(0));
        int identifierBits = HintBits.width(first.size() + shared.size());
        table.put(leastCount, 32);
        table.put(places.get(pages.get(0).getKey()), 32);
        table.put(countBits, 16);
        table.put(leastLength, 32);
        table.put(lengthBits, 16);
        // Where in its page a content stream stands is left open, as is allowed: it is taken to be the page itself.
        table.put(0, 32);
        table.put(0, 16);
        table.put(leastLength, 32);
        table.put(lengthBits, 16);
        table.put(referenceBits, 16);
        table.put(identifierBits, 16);
        table.put(0, 16);
        table.put(4, 16);
        List<Long> longer = lengths.stream().map(length -> length - leastLength).toList();
        table.column(counts.stream().map(count -> count - leastCount).toList(), countBits);
        table.column(longer, lengthBits);
        table.column(references.stream().map(List::size).toList(), referenceBits);
        table.column(references.stream().flatMap(List::stream).toList(), identifierBits);
        table.column(references.stream().flatMap(List::stream).map(one -> 0).toList(), 0);
        table.column(longer.stream().map(one -> 0).toList(), 0);
        table.column(longer, lengthBits);
    }

    /** Tables F.5 and F.6: every object of the first page and every shared one, with its length. */
    private void sharedTable(HintBits table, Map<COSObjectKey, Long> places) {
        List<COSObjectKey> all = new ArrayList<>(first);
        all.addAll(shared);
        List<Integer> lengths = all.stream().map(key -> bytes.get(key).length).toList();
        int least = lengths.stream().mapToInt(Integer::intValue).min().orElse(0);
        int bits = HintBits.width(lengths.stream().mapToInt(Integer::intValue).max().orElse(0) - least);
        table.put(shared.isEmpty() ? 0 : numbers.get(shared.get(0)), 32);
        table.put(shared.isEmpty() ? 0 : places.get(shared.get(0)), 32);
        table.put(first.size(), 32);
        table.put(all.size(), 32);
        table.put(0, 16);
        table.put(least, 32);
        table.put(bits, 16);
        table.column(lengths.stream().map(length -> length - least).toList(), bits);
        table.column(lengths.stream().map(one -> 0).toList(), 1);
        table.column(lengths.stream().map(one -> 0).toList(), 0);
    }
}
