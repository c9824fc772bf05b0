package app.decant.publish;

import app.decant.pdf.check.PdfCheck.Proof;
import app.decant.words.Message;

/** The words of a document beside those of the file that was written of it: where they part, it is told what stood there and what stands there now. */
final class WordsAgain {
    private static final int SHOWN = 32;

    private WordsAgain() { }

    /** @param before the words of the document in order, {@code after} those of the file */
    static Proof compared(String before, String after) {
        if (before.equals(after)) return new Proof(Message.of("publish.opened-again"), true);
        int same = 0;
        int most = Math.min(before.length(), after.length());
        while (same < most && before.charAt(same) == after.charAt(same)) same++;
        String common = before.substring(Math.max(0, same - SHOWN), same);
        return new Proof(Message.of("publish.opened-again-differs", shown(common), next(before, same), next(after, same)), false);
    }

    private static String next(String text, int from) { return shown(text.substring(from, Math.min(text.length(), from + SHOWN))); }

    /** On one line; paragraphs are parted by a sign. */
    private static String shown(String text) { return text.strip().replaceAll("\\R+", " \u00B6 ").replaceAll("\\p{Cntrl}", " "); }
}
