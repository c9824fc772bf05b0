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
import app.decant.pdf.Attachment;
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
import java.util.Objects;
import java.util.concurrent.Callable;
import java.util.stream.Collectors;
import org.slf4j.LoggerFactory;
import picocli.CommandLine.Command;
import picocli.CommandLine.Mixin;
import picocli.CommandLine.Model.CommandSpec;
import picocli.CommandLine.Option;
import picocli.CommandLine.Parameters;
import picocli.CommandLine.Spec;

/** Tells what a file is and what is in it. */
@Command(name = "inspect", mixinStandardHelpOptions = true)
final class InspectCommand implements Callable<Integer> {
    @Parameters(paramLabel = "FILE")
    private Path file;

    @Mixin private SourceOptions source;

    @Option(names = "--to", paramLabel = "FORMAT")
    private String target;

    @Option(names = "--json")
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
        if (to == null) throw Words.wrong("inspect.format", target, Target.values().stream().map(Target::ending).collect(Collectors.joining(", ")));
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
        return SheetLayout.of(source.workbook(file, progress), SheetChoice.AS_SET_UP, FontCatalogue.ofThisMachine(), progress);
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
        Decant.sourceInside(file, source.password()).ifPresent(inside -> {
            value.put("sourceInside", inside.name());
            ArrayNode differs = value.putArray("sourceInsideDiffers");
            for (Message one : differing(inside)) differs.add(one.toString());
        });
        value.set("findings", Json.findings(findings));
        if (sheets != null) sheets(value);
        if (losses != null) value.set("losses", Json.findings(losses));
        if (faith != null) value.set("faith", CompareCommand.value(faith));
        return value;
    }

    /** What the document inside says otherwise; that it can't be read is told like a difference. */
    private List<Message> differing(Attachment inside) {
        try {
            return Decant.differencesInside(file, source.password(), inside, Progress.SILENT).stream().map(Difference::message).toList();
        } catch (DecantException e) {
            LoggerFactory.getLogger(InspectCommand.class).info("Not compared: {}", inside.name(), e);
            return List.of(e.message());
        }
    }

    private static boolean isTable(Block block) { return block instanceof Table; }

    private void print(PrintWriter out, Taken taken, PagedDocument pages, List<Finding> findings) {
        out.println(Words.of("inspect.head", file.getFileName(), taken.format().kind(), count(pages), Search.words(taken.document())));
        List<String> told = new ArrayList<>();
        Facts facts = taken.document().facts();
        if (facts.title() != null) told.add(Words.of("inspect.title", facts.title()));
        if (facts.author() != null) told.add(Words.of("inspect.author", facts.author()));
        for (Outline.Heading heading : pages.outline().headings()) {
            PagedDocument.Spot spot = pages.spot(new Place(heading.path(), 0));
            String title = "  ".repeat(heading.level() - 1) + heading.title();
            told.add(spot == null ? Words.of("inspect.heading.nowhere", title) : Words.of("inspect.heading", title, spot.page() + 1));
        }
        if (sheets != null) for (Sheet sheet : sheets.workbook().sheets())
            told.add(Words.of("inspect.sheet", sheet.name(), sheet.hidden(), Objects.toString(sheet.used(sheets.workbook().styles()), "none")));
        for (FontCatalogue.Match match : pages.fonts())
            told.add(Words.of(match.here() ? "inspect.font" : "inspect.font.other", match.family(), match.face().family()));
        Decant.sourceInside(file, source.password()).ifPresent(inside -> {
            List<Message> differing = differing(inside);
            told.add(Words.of("inspect.inside", inside.name(), differing.size()));
            for (Message one : differing) told.add(Words.of("inspect.inside.differs", one));
        });
        if (changes > 0) told.add(Words.of("inspect.changed", changes));
        if (comments > 0) told.add(Words.of("inspect.comments", comments));
        for (Finding finding : findings) told.add(Words.of("inspect.finding", finding.what()));
        if (losses != null) for (Finding finding : losses) told.add("." + target + "     " + finding.what());
        if (faith != null) {
            told.add(Words.of("inspect.faith", faith.score()));
            for (Difference difference : faith.differences()) told.add(Words.of("inspect.differs", difference.page() + 1, difference.sentence()));
        }
        for (String line : told) out.println("  " + line);
    }
}
