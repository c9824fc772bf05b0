package app.decant.recover;

import app.decant.document.DecantException;
import app.decant.document.Document;
import app.decant.document.Finding;
import app.decant.document.Progress;
import app.decant.document.Provenance;
import app.decant.font.FontCatalogue;
import app.decant.pdf.form.FileForm;
import app.decant.pdf.note.FileNotes;
import app.decant.pdf.read.Glyph;
import app.decant.pdf.read.Placed;
import app.decant.pdf.read.SourceFile;
import app.decant.pdf.read.TagTree;
import app.decant.recover.fit.PageFit;
import app.decant.recover.made.Assembly;
import app.decant.recover.made.BlockMaker;
import app.decant.recover.made.CellText;
import app.decant.recover.made.Faces;
import app.decant.recover.made.LinkMarks;
import app.decant.recover.made.ListNumbering;
import app.decant.recover.made.PageExtents;
import app.decant.recover.made.RunMaker;
import app.decant.recover.made.StyleMaker;
import app.decant.recover.region.FieldPlaces;
import app.decant.recover.region.Margins;
import app.decant.recover.region.PageMatter;
import app.decant.recover.region.PageReading;
import app.decant.recover.region.ReadingOrder;
import app.decant.recover.region.RunningHeads;
import app.decant.recover.table.TableGrid;
import app.decant.recover.text.Body;
import app.decant.recover.text.ContentsFinder;
import app.decant.recover.text.Element;
import app.decant.recover.text.HeadingFinder;
import app.decant.recover.text.ListFinder;
import app.decant.recover.text.NoteFinder;
import app.decant.recover.text.Ornaments;
import app.decant.recover.text.Para;
import app.decant.words.Message;
import java.util.ArrayList;
import java.util.Collections;
import java.util.HashMap;
import java.util.IdentityHashMap;
import java.util.LinkedHashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.Set;
import java.util.function.Function;
import java.util.function.Supplier;

/** Takes a PDF in as an editable document that lays out onto the same pages. Calls the stages in order; each is told in its own class. */
public final class Recovery {
    /** Places named beside one finding; of more only how many. */
    private static final int MOST_PLACES = 8;
    private static final Message JOINING = Message.of("step.finding-paragraphs");

    private final SourceFile source;
    private final Supplier<SourceFile> another;
    private final FontCatalogue fonts;
    private final Progress progress;
    private final List<Finding> findings = new ArrayList<>();
    private boolean fits = true;

    private Recovery(SourceFile source, Supplier<SourceFile> another, FontCatalogue fonts, Progress progress) {
        this.source = source;
        this.another = another;
        this.fonts = fonts;
        this.progress = progress;
    }

    /**
     * Recovers a document.
     *
     * @param name     what people call the file, for sentences
     * @param password for protected files, or null
     * @param fonts    the faces at hand
     * @throws DecantException where the file is no PDF, is protected, or holds no page
     */
    public static Recovered of(byte[] pdf, String name, String password, FontCatalogue fonts, Progress progress) {
        try (SourceFile source = SourceFile.open(pdf, name, password)) {
            return new Recovery(source, () -> SourceFile.open(pdf, name, password), fonts, progress).run();
        }
    }

    /** The same, its pages not fitted to those of the file and nothing told of where its text comes from: enough for whoever wants the words only. */
    public static Recovered words(byte[] pdf, String name, String password, FontCatalogue fonts, Progress progress) {
        try (SourceFile source = SourceFile.open(pdf, name, password)) {
            Recovery recovery = new Recovery(source, () -> SourceFile.open(pdf, name, password), fonts, progress);
            recovery.fits = false;
            return recovery.run();
        }
    }

    private Recovered run() {
        Faces faces = new Faces(fonts);
        List<PageMatter> pages = new ArrayList<>();
        Set<Message> problems = new LinkedHashSet<>();
        double[] covered = {0};
        List<Provenance.Sheet> sheets = new ArrayList<>();
        List<Provenance.Shown> pictures = new ArrayList<>();
        FieldPlaces fields = new FieldPlaces(FileForm.of(source.pdf()));
        new PageReading(source, another, fields, progress).each(read -> {
            problems.addAll(read.page().problems());
            findings.addAll(read.findings());
            for (Glyph glyph : read.page().glyphs()) faces.see(glyph);
            covered[0] += read.tagged();
            sheets.add(new Provenance.Sheet(read.page().width(), read.page().height(), read.page().turn()));
            pages.add(read.matter());
            for (Placed one : read.matter().pictures()) pictures.add(new Provenance.Shown(one.picture().image(), read.page().index(), one.left(), one.top(),
                    one.right(), one.bottom()));
        });
        for (Message problem : problems) findings.add(Finding.lost(problem));
        progress.step(source.pages(), source.pages(), JOINING);
        boolean tagged = !source.tags().isEmpty() && covered[0] / source.pages() > PageReading.TRUSTED;
        Function<Glyph, TagTree.Element> none = glyph -> null;
        RunningHeads heads = RunningHeads.take(pages);
        Map<Integer, Margins> margins = margins(pages);
        // Each page by itself, so on all cores.
        List<List<Element>> read = pages.parallelStream().map(page -> {
            Margins edges = margins.get(PageExtents.sizeKey(page));
            int index = page.index();
            page.takeFramed(edges);
            Function<Glyph, TagTree.Element> tags = tagged ? glyph -> source.tags().of(index, glyph.tag()) : none;
            return Body.elements(new ReadingOrder(index).parts(page.boxes(), edges.left(), edges.right()), tags);
        }).toList();
        Body body = new Body(read);
        List<Para> first = body.paragraphs();
        Glyph typical = HeadingFinder.body(first, pages);
        double bodySize = typical == null ? 10 : typical.size();
        for (PageMatter page : pages) takeNotes(body, page, bodySize);
        body.join();
        List<Para> paras = body.paragraphs();
        ContentsFinder.find(paras);
        HeadingFinder headings = new HeadingFinder(paras, source.bookmarks(), typical);
        headings.find();
        ListFinder lists = new ListFinder();
        lists.find(paras.stream().filter(para -> !para.isContentsEntry()).toList());
        CellText cells = new CellText(body, none);
        for (List<Element> page : body.pages()) {
            List<TableGrid> tables = new ArrayList<>();
            Element.tables(page, tables);
            List<List<Para>> apart = cells.all(tables);
            Element.apart(page, apart);
            apart.forEach(lists::findApart);
        }
        for (PageMatter page : pages) new Ornaments(page, body.paragraphs(page.index())).give();
        BlockMaker blocks = new BlockMaker(new RunMaker(faces, pages), faces, paras);
        Assembly assembly = new Assembly(pages, body, heads, margins, blocks, cells, new LinkMarks(paras, source.targets()));
        Document document = assembly.document(source.facts(), ListNumbering.of(lists.lists(), faces));
        StyleMaker styles = new StyleMaker();
        Document tidy = styles.tidy(document, false);
        PageFit fit = new PageFit(fonts, blocks.origins(), styles.changed(), progress);
        Document fitted = fits ? fit.fit(tidy, source.pages(), findings) : tidy;
        if (fits) tellFonts(faces);
        Provenance provenance = fits ? Marks.of(fitted, fit.origins(), sheets, pictures, Marks.heads(heads, pages.size())) : Provenance.NONE;
        List<FileNotes.FileNote> notes = fits ? FileNotes.of(source.pdf(), page -> sheets.get(page).turn()) : List.of();
        Remarks.Remarked remarked = Remarks.on(fitted, provenance, notes);
        FieldControls.Controlled controlled = FieldControls.on(remarked.document(), remarked.provenance(), fields);
        findings.addAll(LeftBehind.of(source.pdf(), notes.size() - remarked.left(), controlled.carried()));
        return new Recovered(controlled.document(), together(findings), source.pages(), controlled.provenance());
    }

    /** What was found on several pages alike is told once, with all of them. */
    private static List<Finding> together(List<Finding> findings) {
        Map<Object, List<Finding>> alike = new LinkedHashMap<>();
        for (Finding finding : findings) alike.computeIfAbsent(List.of(finding.weight(), finding.message()), key -> new ArrayList<>()).add(finding);
        List<Finding> result = new ArrayList<>();
        for (List<Finding> some : alike.values()) {
            List<Object> places = some.stream().map(Finding::place).filter(Objects::nonNull).map(place -> place.values().get(0)).distinct().toList();
            Finding first = some.get(0);
            if (places.size() < 2) result.add(first);
            else result.add(new Finding(first.weight(), first.message(), places.size() <= MOST_PLACES ? Message.of("place.pages", Message.list(places))
                    : Message.of("place.pages-more", Message.list(places.subList(0, MOST_PLACES)), places.size() - MOST_PLACES)));
        }
        return result;
    }

    private static Map<Integer, Margins> margins(List<PageMatter> pages) {
        Map<Integer, List<PageMatter>> bySize = new HashMap<>();
        for (PageMatter page : pages) bySize.computeIfAbsent(PageExtents.sizeKey(page), key -> new ArrayList<>()).add(page);
        Map<Integer, Margins> margins = new HashMap<>();
        bySize.forEach((size, some) -> margins.put(size, Margins.of(some)));
        return margins;
    }

    private static void takeNotes(Body body, PageMatter page, double bodySize) {
        List<Para> before = body.paragraphs(page.index());
        List<Para> rest = new ArrayList<>(before);
        NoteFinder.take(rest, bodySize, page);
        if (rest.size() == before.size()) return;
        Set<Para> gone = Collections.newSetFromMap(new IdentityHashMap<>());
        gone.addAll(before);
        rest.forEach(gone::remove);
        body.remove(gone);
    }

    private void tellFonts(Faces faces) {
        Map<String, Faces.Choice> told = new LinkedHashMap<>();
        faces.choices().forEach((face, choice) -> {
            if (choice.standIn()) told.putIfAbsent(face.family(), choice);
        });
        if (told.isEmpty()) return;
        Map.Entry<String, Faces.Choice> first = told.entrySet().iterator().next();
        if (told.size() == 1) {
            Faces.Choice choice = first.getValue();
            findings.add(Finding.changed(Message.of("recover.stand-in", first.getKey(), choice.family(), Math.round(choice.scale() * 100))));
            return;
        }
        List<Message> pairs = told.entrySet().stream().map(one -> Message.of("recover.font-and-stand-in", one.getKey(), one.getValue().family())).toList();
        findings.add(Finding.changed(Message.of("recover.stand-ins", told.size(), Message.list(pairs))));
    }
}
