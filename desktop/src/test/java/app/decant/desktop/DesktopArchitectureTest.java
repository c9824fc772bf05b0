package app.decant.desktop;

import static com.tngtech.archunit.core.domain.JavaClass.Predicates.resideOutsideOfPackages;
import static com.tngtech.archunit.lang.syntax.ArchRuleDefinition.noClasses;
import static com.tngtech.archunit.library.Architectures.layeredArchitecture;
import static com.tngtech.archunit.library.dependencies.SlicesRuleDefinition.slices;

import app.decant.desktop.table.TableKeys;
import com.tngtech.archunit.base.DescribedPredicate;
import com.tngtech.archunit.core.importer.ImportOption.DoNotIncludeTests;
import com.tngtech.archunit.junit.AnalyzeClasses;
import com.tngtech.archunit.junit.ArchTest;
import com.tngtech.archunit.lang.ArchRule;

/** The window's own floors: arrows point down, and stations know nothing of each other. That only the desk changes a session is held by the compiler. */
@AnalyzeClasses(packages = "app.decant.desktop", importOptions = DoNotIncludeTests.class)
class DesktopArchitectureTest {
    private static final String HERE = "app.decant.desktop.";
    private static final String[] STATIONS = {HERE + "takein", HERE + "revise", HERE + "check", HERE + "publish", HERE + "folders",
            HERE + "sheet"};

    @ArchTest static final ArchRule ARROWS_POINT_DOWN = layeredArchitecture().consideringOnlyDependenciesInLayers()
            .layer("part").definedBy(HERE + "part")
            .layer("work").definedBy(HERE + "work")
            .layer("command").definedBy(HERE + "command")
            .layer("table").definedBy(HERE + "table")
            .layer("station").definedBy(HERE + "station")
            .layer("stations").definedBy(STATIONS)
            .layer("window").definedBy("app.decant.desktop")
            .whereLayer("part").mayNotAccessAnyLayer()
            .whereLayer("work").mayOnlyAccessLayers("part")
            .whereLayer("command").mayOnlyAccessLayers("part")
            .whereLayer("table").mayOnlyAccessLayers("part", "work", "command")
            .whereLayer("station").mayOnlyAccessLayers("part", "work", "command", "table")
            .whereLayer("stations").mayOnlyAccessLayers("part", "work", "command", "table", "station")
            .whereLayer("window").mayNotBeAccessedByAnyLayer();

    @ArchTest static final ArchRule STATIONS_STAND_BY_THEMSELVES = slices().matching("app.decant.desktop.(*)..").should().notDependOnEachOther()
            .ignoreDependency(DescribedPredicate.alwaysTrue(), resideOutsideOfPackages(STATIONS));

    @ArchTest static final ArchRule WORK_DRAWS_NOTHING = noClasses().that().resideInAPackage(HERE + "work").should().dependOnClassesThat()
            .resideInAnyPackage("javafx.scene..", "javafx.stage..");

    @ArchTest static final ArchRule NOBODY_TYPES_BUT_THE_TABLE = noClasses().that().resideOutsideOfPackages(HERE + "table", "app.decant.desktop").should()
            .dependOnClassesThat().areAssignableTo(TableKeys.class);
}
