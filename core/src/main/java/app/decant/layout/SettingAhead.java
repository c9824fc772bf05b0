package app.decant.layout;

import app.decant.document.Look;
import app.decant.document.Paragraph;
import app.decant.document.Progress;
import app.decant.words.Message;
import java.util.ArrayList;
import java.util.List;
import java.util.stream.IntStream;

/**
 * Sets the paragraphs of a long document before its pages are filled, on all cores: how a paragraph breaks in a free column depends on nothing but itself,
 * and that is most of the work. What floats beside a paragraph is met later, when its page is.
 */
final class SettingAhead {
    /** Fewer are set as they come. */
    private static final int LEAST = 120;
    /** How many are set before it is asked whether to go on. */
    private static final int TOGETHER = 256;

    private final Composer composer;
    private final Flow flow;
    private final Restyling restyling;

    /** @param restyling what looks otherwise by new styles, and alone is to be set; null for all */
    SettingAhead(Composer composer, Flow flow, Restyling restyling) {
        this.composer = composer;
        this.flow = flow;
        this.restyling = restyling;
    }

    /**
     * Lets the composer remember them.
     *
     * @throws app.decant.document.DecantException ({@code CANCELLED}) when {@code progress} says so
     */
    void run(Progress progress) {
        if (flow.size() < LEAST || Runtime.getRuntime().availableProcessors() == 1) return;
        for (int section = 0; section < flow.sectionCount(); section++) {
            double width = flow.section(section).columns().within(flow.section(section).page().textWidth()).get(0)[1];
            for (int from = flow.sectionStart(section); from < flow.sectionEnd(section); from += TOGETHER) {
                progress.step(0, 0, Message.of("step.laying-out"));
                set(paragraphs(from, Math.min(flow.sectionEnd(section), from + TOGETHER)), width);
            }
        }
    }

    private List<Paragraph> paragraphs(int from, int to) {
        List<Paragraph> some = new ArrayList<>();
        for (int b = from; b < to; b++) {
            if (!(flow.block(b) instanceof Paragraph paragraph) || !composer.standsForItself(paragraph)) continue;
            if (restyling == null || restyling.differs(paragraph)) some.add(paragraph);
        }
        return some;
    }

    private void set(List<Paragraph> some, double width) {
        List<SetParagraph> set = IntStream.range(0, some.size()).parallel().mapToObj(i -> composer.free(some.get(i), Look.PLAIN, width)).toList();
        for (int i = 0; i < some.size(); i++) composer.remember(some.get(i), Look.PLAIN, width, set.get(i));
    }
}
