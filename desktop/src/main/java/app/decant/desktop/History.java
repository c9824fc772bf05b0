package app.decant.desktop;

import app.decant.document.Document;
import app.decant.document.Span;
import java.util.ArrayList;
import java.util.List;

/** Undo without limit: documents share what they have in common, so a long list of them is small. */
final class History {
    private static final long ONE_BREATH = 1_500_000_000L;
    private final List<State> states = new ArrayList<>();
    private int at = -1;
    private long lastTime;
    private String lastWhat = "";

    /** A document after a step: what was picked before the step, and what after it. */
    record State(Document document, Span before, Span after, String what) { }

    /** A document to go back or on to, and what is picked in it. */
    record Turn(Document document, Span picked) { }

    void begin(Document document, Span span) {
        states.clear();
        states.add(new State(document, span, span, ""));
        at = 0;
        lastWhat = "";
    }

    /** Adds a state; typing in one breath is one step. */
    void add(State state) {
        while (states.size() > at + 1) states.remove(states.size() - 1);
        long now = System.nanoTime();
        boolean joins = at > 0 && state.what().equals("typing") && lastWhat.equals("typing") && now - lastTime < ONE_BREATH;
        if (joins) {
            states.set(at, new State(state.document(), states.get(at).before(), state.after(), state.what()));
        } else {
            states.add(state);
            at++;
        }
        lastTime = now;
        lastWhat = state.what();
    }

    boolean canUndo() { return at > 0; }
    boolean canRedo() { return at < states.size() - 1; }

    /** Back to before the last step, with what was picked when it was made. */
    Turn undo() {
        lastWhat = "";
        Span picked = states.get(at).before();
        at--;
        return new Turn(states.get(at).document(), picked);
    }

    Turn redo() {
        lastWhat = "";
        at++;
        return new Turn(states.get(at).document(), states.get(at).after());
    }
}
