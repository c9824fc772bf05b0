package app.decant.cli;

import app.decant.Decant;
import app.decant.document.Block;
import app.decant.document.Comments;
import app.decant.document.DecantException;
import app.decant.document.Facts;
import app.decant.document.Finding;
import app.decant.document.Outline;
import app.decant.document.Place;
import app.decant.document.Progress;
import app.decant.document.Table;
import app.decant.document.TrackedChanges;
import app.decant.edit.Search;
import app.decant.font.FontCatalogue;
import app.decant.format.Taken;
import app.decant.format.sheet.SheetFormat;
import app.decant.layout.PagedDocument;
import app.decant.page.Pages;
import app.decant.proof.Comparison;
import app.decant.proof.Difference;
import app.decant.publish.Order;
import app.decant.publish.Publisher;
import app.decant.publish.Recipe;
import app.decant.publish.Target;
import app.decant.publish.TimeLimit;
import app.decant.recover.FixedFormat;
import app.decant.sheet.Range;
import app.decant.sheet.Sheet;
import app.decant.sheet.SheetChoice;
import app.decant.sheet.SheetLayout;
import app.decant.sheet.SheetPages;
import app.decant.words.Message;
import com.fasterxml.jackson.databind.node.ArrayNode;
import com.fasterxml.jackson.databind.node.ObjectNode;
import java.io.PrintWriter;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.concurrent.Callable;
import java.util.stream.Collectors;
import picocli.CommandLine.Command;
import picocli.CommandLine.Mixin;
import picocli.CommandLine.Model.CommandSpec;
import picocli.CommandLine.Option;
import picocli.CommandLine.Parameters;
import picocli.CommandLine.Spec;

/** Tells what a file is and what is in it. */
@Command(name = "inspect", description = "Tells what a document is: kind, pages, facts, headings, fonts, findings.", mixinStandardHelpOptions = true)
final class InspectCommand implements Callable<Integer> {
    @Parameters(paramLabel = "FILE", description = "the document")
    private Path file;

    @Mixin private SourceOptions source;

    @Option(names = "--to", paramLabel = "FORMAT", description = "tell as well what this format would not carry of it")
    private String target;

    @Option(names = "--json", description = "print one JSON value to standard output")
    private boolean json;

    @Spec private CommandSpec spec;

    /** How faithful a PDF came in; null for other kinds. */
    private Comparison faith;

    /** What the format asked for would not carry; null where none was asked for. */
    private List<Finding> losses;
    private SheetPages sheets;
    private int changes;
    private int comments;
    private boolean empty;

    private List<Finding> losses(Pages pages) {
        Target to = Target.of(target);
        if (to == null) throw new DecantException(DecantException.Kind.WRONG_CALL, Message.said("“" + target + "” is no format that is written here. There are "
                + Target.values().stream().map(Target::ending).collect(Collectors.joining(", ")) + "."));
        return Publisher.losses(new Order(pages, Recipe.PLAIN.to(to)));
    }

    @Override public Integer call() {
        source.password();
        return TimeLimit.run(source.limit(), Progress.SILENT, (gate, progress) -> inspect(progress));
    }

    private int inspect(Progress progress) {
        Taken taken = source.open(file, progress);
        changes = TrackedChanges.count(taken.document());
        comments = Comments.borne(taken.document()).size();
        // Pages as they are published where nobody wishes otherwise.
        PagedDocument pages = Decant.layOut(TrackedChanges.settled(taken.document(), true), progress);
        List<Finding> findings = new ArrayList<>(taken.findings());
        sheets = taken.format() instanceof SheetFormat ? sheets(progress) : null;
        findings.addAll(sheets == null ? pages.findings() : sheetFindings());
        losses = target == null ? null : losses(sheets == null ? pages : sheets);
        faith = taken.format() == FixedFormat.PDF ? Decant.faith(file, source.password(), pages, progress) : null;
        PrintWriter out = spec.commandLine().getOut();
        if (json) out.println(Json.text(value(taken, pages, findings)));
        else print(out, taken, pages, findings);
        return Main.DONE;
    }

    private SheetPages sheets(Progress progress) {
        return SheetLayout.of(Decant.workbook(file, source.password(), progress).workbook(), SheetChoice.AS_SET_UP, FontCatalogue.ofThisMachine(), progress);
    }

    /** What its pages have to tell; that there is nothing to be seen is told, too. */
    private List<Finding> sheetFindings() {
        try {
            return sheets.findings();
        } catch (DecantException e) {
            if (e.kind() == DecantException.Kind.CANCELLED) throw e;
            empty = true;
            return List.of(Finding.changed(e.message()));
        }
    }

    /** How many pages are published: of a workbook those of its sheets. */
    private int count(PagedDocument pages) { return sheets == null ? pages.count() : empty ? 0 : sheets.count(); }

    private void sheets(ObjectNode value) {
        ArrayNode list = value.putArray("sheets");
        for (Sheet sheet : sheets.workbook().sheets()) {
            Range used = sheet.used(sheets.workbook().styles());
            ObjectNode one = list.addObject().put("name", sheet.name()).put("hidden", sheet.hidden()).put("used", used == null ? null : used.toString());
            one.put("cells", sheet.rows().stream().flatMap(row -> row.cells().stream()).filter(cell -> !cell.isEmpty()).count());
            one.put("formulas", sheet.rows().stream().flatMap(row -> row.cells().stream()).filter(cell -> cell.formula() != null).count());
            ArrayNode areas = one.putArray("areas");
            sheet.setup().areas().forEach(area -> areas.add(area.toString()));
        }
    }

    private ObjectNode value(Taken taken, PagedDocument pages, List<Finding> findings) {
        ObjectNode value = Json.object();
        value.put("file", file.toString()).put("kind", taken.format().ending()).put("description", taken.format().kind());
        value.put("pages", count(pages)).put("words", Search.words(taken.document()));
        Facts facts = taken.document().facts();
        ObjectNode factsNode = value.putObject("facts");
        if (facts.title() != null) factsNode.put("title", facts.title());
        if (facts.subject() != null) factsNode.put("subject", facts.subject());
        if (facts.author() != null) factsNode.put("author", facts.author());
        if (facts.keywords() != null) factsNode.put("keywords", facts.keywords());
        if (facts.created() != null) factsNode.put("created", facts.created().toString());
        facts.others().forEach(factsNode::put);
        ArrayNode outline = value.putArray("outline");
        for (Outline.Heading heading : pages.outline().headings()) {
            PagedDocument.Spot spot = pages.spot(new Place(heading.path(), 0));
            outline.addObject().put("level", heading.level()).put("title", heading.title()).put("page", spot == null ? 0 : spot.page() + 1);
        }
        ArrayNode fonts = value.putArray("fonts");
        for (FontCatalogue.Match match : pages.fonts()) {
            fonts.addObject().put("family", match.family()).put("here", match.here()).put("shown", match.face().family())
                    .put("equalWidths", match.equalWidths());
        }
        value.put("blocks", taken.document().sections().stream().mapToInt(section -> section.blocks().size()).sum());
        value.put("tables", taken.document().blocks().stream().filter(InspectCommand::isTable).count());
        value.put("trackedChanges", changes).put("comments", comments);
        Decant.sourceInside(file, source.password()).ifPresent(inside -> value.put("sourceInside", inside.name()));
        value.set("findings", Json.findings(findings));
        if (sheets != null) sheets(value);
        if (losses != null) value.set("losses", Json.findings(losses));
        if (faith != null) value.set("faith", CompareCommand.value(faith));
        return value;
    }

    private static boolean isTable(Block block) { return block instanceof Table; }

    private void print(PrintWriter out, Taken taken, PagedDocument pages, List<Finding> findings) {
        out.println(file.getFileName() + ": " + taken.format().kind() + ", " + count(pages) + (count(pages) == 1 ? " page, " : " pages, ")
                + Search.words(taken.document()) + " words");
        Facts facts = taken.document().facts();
        if (facts.title() != null) out.println("  title    " + facts.title());
        if (facts.author() != null) out.println("  author   " + facts.author());
        for (Outline.Heading heading : pages.outline().headings()) {
            PagedDocument.Spot spot = pages.spot(new Place(heading.path(), 0));
            out.println("  heading  " + "  ".repeat(heading.level() - 1) + heading.title() + (spot == null ? "" : "  (page " + (spot.page() + 1) + ")"));
        }
        if (sheets != null) for (Sheet sheet : sheets.workbook().sheets())
            out.println("  sheet    " + sheet.name() + (sheet.hidden() ? ", hidden" : "") + (sheet.used(sheets.workbook().styles()) == null ? ", empty"
                    : ", " + sheet.used(sheets.workbook().styles())));
        for (FontCatalogue.Match match : pages.fonts())
            out.println("  font     " + match.family() + (match.here() ? "" : ", shown as " + match.face().family()));
        Decant.sourceInside(file, source.password()).ifPresent(inside -> out.println("  inside   " + inside.name() + ", which it was made from"));
        if (changes > 0) out.println("  changed  " + changes + " tracked, unsettled");
        if (comments > 0) out.println("  comments " + comments);
        for (Finding finding : findings) out.println("  finding  " + finding.what());
        if (losses != null) for (Finding finding : losses) out.println("  ." + target + "     " + finding.what());
        if (faith == null) return;
        out.printf(Locale.ROOT, "  faith    %.1f of 100%n", faith.score());
        for (Difference difference : faith.differences()) out.println("  differs  page " + (difference.page() + 1) + ": " + difference.sentence());
    }
}
