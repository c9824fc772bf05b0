package app.decant.proof;

import app.decant.words.Message;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;

/** What differs alike on many pages, such as a line of a header that is gone, is told once: where it comes first, and how often it comes again. */
final class RepeatedDifferences {
    private static final int MANY = 3;

    private RepeatedDifferences() { }

    static void tellOnce(List<Difference> differences) {
        Map<String, List<Difference>> alike = new LinkedHashMap<>();
        for (Difference one : differences) alike.computeIfAbsent(one.kind() + one.sentence(), key -> new ArrayList<>()).add(one);
        List<Difference> told = new ArrayList<>();
        for (List<Difference> some : alike.values()) {
            long pages = some.stream().mapToInt(Difference::page).distinct().count();
            if (pages < MANY) told.addAll(some);
            else {
                Difference first = some.get(0);
                told.add(new Difference(first.kind(), first.weight(), first.page(), first.x(), first.y(), first.width(), first.height(),
                        Message.of("proof.on-more-pages", first.sentence(), pages - 1)));
            }
        }
        differences.clear();
        differences.addAll(told);
    }
}
