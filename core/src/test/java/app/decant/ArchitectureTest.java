package app.decant;

import static com.tngtech.archunit.library.Architectures.layeredArchitecture;
import static com.tngtech.archunit.lang.syntax.ArchRuleDefinition.classes;
import static com.tngtech.archunit.lang.syntax.ArchRuleDefinition.noClasses;

import app.decant.document.Document;
import app.decant.document.Inline;
import app.decant.document.Paragraph;
import app.decant.document.Section;
import app.decant.document.Table;
import app.decant.document.Walk;
import com.tngtech.archunit.core.importer.ImportOption.DoNotIncludeTests;
import com.tngtech.archunit.junit.AnalyzeClasses;
import com.tngtech.archunit.junit.ArchTest;
import com.tngtech.archunit.lang.ArchRule;
import com.tngtech.archunit.lang.syntax.ArchRuleDefinition;

/** The house: arrows point down, values have no setters, the core knows no interface. */
@AnalyzeClasses(packages = "app.decant", importOptions = DoNotIncludeTests.class)
class ArchitectureTest {
    @ArchTest static final ArchRule ARROWS_POINT_DOWN = layeredArchitecture().consideringOnlyDependenciesInLayers()
            .layer("document").definedBy("app.decant.document")
            .layer("words").definedBy("app.decant.words")
            .layer("edit").definedBy("app.decant.edit")
            .layer("spelling").definedBy("app.decant.spelling")
            .layer("xml").definedBy("app.decant.xml")
            .layer("picture").definedBy("app.decant.picture")
            .layer("font").definedBy("app.decant.font")
            .layer("page").definedBy("app.decant.page")
            .layer("layout").definedBy("app.decant.layout")
            .layer("sheet").definedBy("app.decant.sheet")
            .layer("format").definedBy("app.decant.format..")
            .layer("paint").definedBy("app.decant.paint")
            .layer("pdf").definedBy("app.decant.pdf..")
            .layer("recover").definedBy("app.decant.recover..")
            .layer("proof").definedBy("app.decant.proof")
            .layer("publish").definedBy("app.decant.publish")
            .layer("outbox").definedBy("app.decant.outbox")
            .layer("folder").definedBy("app.decant.folder")
            .layer("demo").definedBy("app.decant.demo")
            .layer("front door").definedBy("app.decant")
            .whereLayer("words").mayNotAccessAnyLayer()
            .whereLayer("document").mayOnlyAccessLayers("words")
            .whereLayer("edit").mayOnlyAccessLayers("words", "document")
            .whereLayer("spelling").mayOnlyAccessLayers("document")
            .whereLayer("xml").mayOnlyAccessLayers("words", "document")
            .whereLayer("font").mayOnlyAccessLayers("words", "document")
            .whereLayer("picture").mayOnlyAccessLayers("words", "document")
            .whereLayer("page").mayOnlyAccessLayers("words", "document", "font")
            .whereLayer("layout").mayOnlyAccessLayers("words", "document", "spelling", "font", "page")
            .whereLayer("sheet").mayOnlyAccessLayers("words", "document", "font", "page", "layout")
            .whereLayer("format").mayOnlyAccessLayers("words", "document", "font", "picture", "xml", "sheet")
            .whereLayer("paint").mayOnlyAccessLayers("words", "document", "font", "page", "picture")
            .whereLayer("pdf").mayOnlyAccessLayers("words", "document", "font", "page", "picture", "xml")
            .whereLayer("recover").mayOnlyAccessLayers("words", "document", "font", "format", "page", "picture", "layout", "pdf")
            .whereLayer("proof").mayOnlyAccessLayers("words", "document", "font", "page", "paint", "pdf", "recover")
            .whereLayer("publish").mayOnlyAccessLayers("words", "document", "font", "page", "format", "paint", "pdf", "sheet")
            .whereLayer("demo").mayOnlyAccessLayers("words", "document", "font", "format", "sheet")
            .whereLayer("folder").mayOnlyAccessLayers("words", "document", "page", "format", "publish", "proof")
            .whereLayer("outbox").mayOnlyAccessLayers("words", "document", "pdf", "publish")
            .whereLayer("front door").mayOnlyAccessLayers("words", "document", "edit", "font", "sheet", "page", "layout", "format", "pdf", "publish", "recover",
                    "proof",
                    "folder", "outbox");

    /** The stages of recovery, each of which knows only those before it. */
    @ArchTest static final ArchRule RECOVERY_GOES_ONE_WAY = layeredArchitecture().consideringOnlyDependenciesInLayers()
            .layer("read").definedBy("app.decant.pdf.read")
            .layer("scan").definedBy("app.decant.recover.scan")
            .layer("line").definedBy("app.decant.recover.line")
            .layer("table").definedBy("app.decant.recover.table")
            .layer("region").definedBy("app.decant.recover.region")
            .layer("text").definedBy("app.decant.recover.text")
            .layer("made").definedBy("app.decant.recover.made")
            .layer("fit").definedBy("app.decant.recover.fit")
            .layer("whole").definedBy("app.decant.recover")
            .whereLayer("read").mayNotAccessAnyLayer()
            .whereLayer("scan").mayOnlyAccessLayers("read")
            .whereLayer("line").mayOnlyAccessLayers("read", "scan")
            .whereLayer("table").mayOnlyAccessLayers("read", "line")
            .whereLayer("region").mayOnlyAccessLayers("read", "line", "table")
            .whereLayer("text").mayOnlyAccessLayers("read", "line", "table", "region")
            .whereLayer("made").mayOnlyAccessLayers("read", "line", "table", "region", "text")
            .whereLayer("fit").mayOnlyAccessLayers("read", "line", "text", "made");

    @ArchTest static final ArchRule STAGES_OF_RECOVERY_ARE_ITS_OWN = noClasses().that().resideOutsideOfPackage("app.decant.recover..")
            .should().dependOnClassesThat().resideInAPackage("app.decant.recover.*");

    @ArchTest static final ArchRule PARTS_OF_A_PDF_GO_ONE_WAY = layeredArchitecture().consideringOnlyDependenciesInLayers()
            .layer("choices").definedBy("app.decant.pdf")
            .layer("lock").definedBy("app.decant.pdf.lock")
            .layer("font").definedBy("app.decant.pdf.font")
            .layer("structure").definedBy("app.decant.pdf.structure")
            .layer("picture").definedBy("app.decant.pdf.picture")
            .layer("page").definedBy("app.decant.pdf.page")
            .layer("write").definedBy("app.decant.pdf.write")
            .layer("form").definedBy("app.decant.pdf.form")
            .layer("note").definedBy("app.decant.pdf.note")
            .layer("mend").definedBy("app.decant.pdf.mend")
            .layer("keep").definedBy("app.decant.pdf.keep")
            .layer("check").definedBy("app.decant.pdf.check")
            .layer("read").definedBy("app.decant.pdf.read")
            .whereLayer("lock").mayNotAccessAnyLayer()
            .whereLayer("structure").mayNotAccessAnyLayer()
            .whereLayer("choices").mayOnlyAccessLayers("lock")
            .whereLayer("font").mayOnlyAccessLayers("choices")
            .whereLayer("picture").mayOnlyAccessLayers("choices")
            .whereLayer("read").mayOnlyAccessLayers("choices")
            .whereLayer("page").mayOnlyAccessLayers("choices", "font", "structure", "picture")
            .whereLayer("write").mayOnlyAccessLayers("choices", "lock", "font", "structure", "picture", "page", "form")
            .whereLayer("keep").mayOnlyAccessLayers("choices", "lock", "font", "picture", "page", "write", "read", "form", "note", "mend")
            .whereLayer("mend").mayOnlyAccessLayers("choices", "font", "structure", "read")
            .whereLayer("form").mayOnlyAccessLayers("choices")
            .whereLayer("note").mayOnlyAccessLayers("choices", "read")
            .whereLayer("check").mayOnlyAccessLayers("choices", "lock", "write", "read", "form", "note", "keep");

    /** So that workbooks, decks and pages of files are painted and published by what text is. */
    @ArchTest static final ArchRule PAPER_KNOWS_NO_TEXT_DOCUMENT = noClasses().that().resideInAnyPackage("app.decant.page", "app.decant.paint",
            "app.decant.pdf..", "app.decant.proof")
            .should().dependOnClassesThat().belongToAnyOf(Document.class, Section.class, Paragraph.class, Table.class, Inline.class, Walk.class);

    @ArchTest static final ArchRule THE_CORE_KNOWS_NO_INTERFACE = noClasses().should().dependOnClassesThat().resideInAnyPackage("javafx..", "javax.swing..");

    @ArchTest static final ArchRule VALUES_HAVE_NO_SETTERS = ArchRuleDefinition.noMethods().that().areDeclaredInClassesThat()
            .resideInAPackage("app.decant.document")
            .should().haveNameMatching("set[A-Z].*");

    @ArchTest static final ArchRule VALUES_KEEP_WHAT_THEY_ARE_GIVEN = ArchRuleDefinition.fields().that()
            .areDeclaredInClassesThat().resideInAPackage("app.decant.document")
            .should().beFinal();

    @ArchTest static final ArchRule NAMES_SAY_WHAT_THINGS_ARE = noClasses().should().haveNameMatching(".*(Util|Utils|Helper|Manager|Impl)$");

    @ArchTest static final ArchRule READERS_AND_WRITERS_STAND_APART = classes().that().haveSimpleNameEndingWith("Writer").and()
            .resideInAPackage("app.decant.format..")
            .should().onlyBeAccessed().byAnyPackage("app.decant.format..", "app.decant.publish", "app.decant.demo");
}
