package app.decant.publish;

import app.decant.document.DecantException.Kind;
import app.decant.document.DecantException;
import app.decant.document.Facts;
import app.decant.format.text.PlainText;
import app.decant.pdf.PdfChoices;
import app.decant.pdf.PdfStyle;
import app.decant.pdf.lock.Protection;
import app.decant.words.Message;
import java.time.Instant;
import java.util.ArrayList;
import java.util.EnumSet;
import java.util.List;
import java.util.Set;

/**
 * Wishes that can't be met. They are refused by name before anything is made: a wish for safety above all, since whoever asks for a lock and gets none
 * without a word sends out what they meant to keep.
 */
final class Contradictions {
    private Contradictions() { }

    /** @throws DecantException ({@code WRONG_CALL}) with a sentence that names what can't be */
    static void refuse(Order order) {
        Recipe recipe = order.recipe();
        refuse(recipe, order.passwords());
        if (recipe.target() != Target.PDF) return;
        if (recipe.style().standard().isAccessible() && order.title() == null) {
            String name = order.source() == null ? "" : SafeFile.withoutEnding(order.source().getFileName().toString());
            throw wrong(Message.of("publish.needs-title", recipe.style().standard().words(), name.isEmpty(), name));
        }
        int count = recipe.pages().of(order.labels()).size();
        int first = recipe.style().opening().page();
        if (first > count) throw wrong(Message.of("publish.the-file-is-to-open-at-page", first, count));
    }

    /** The same of what can be told before there are pages. */
    static void refuse(Recipe recipe, Recipe.Passwords passwords) {
        boolean given = !passwords.toOpen().isEmpty() || !passwords.toChange().isEmpty();
        if (given && !recipe.locking().isOn())
            throw wrong(Message.of("publish.a-password-is-given-but-the-file"));
        if (!recipe.locking().isOn() && recipe.locking().allowed().size() < Protection.Permission.values().length) {
            throw wrong(Message.of("publish.what-readers-may-do-is-limited"));
        }
        if (recipe.target() == Target.PDF) {
            if (recipe.officeFonts() != Recipe.OfficeFonts.AS_THEY_CAME)
                throw wrong(Message.of("publish.fonts-of-office-files-are-wished"));
            new PdfChoices(List.of(), recipe.style(), recipe.protection(passwords), List.of(), List.of(), Facts.NONE, recipe.facts().dates(),
                    recipe.addresses(), Instant.EPOCH).refuseContradictions();
            return;
        }
        lock(recipe, passwords);
        List<Message> unmet = pdfOnly(recipe);
        if (!unmet.isEmpty()) throw wrong(Message.of("publish.that-is-for-pdfs", Message.list(unmet), recipe.target().ending()));
        if (!recipe.target().format().takesFacts()) facts(recipe);
    }

    private static void lock(Recipe recipe, Recipe.Passwords passwords) {
        if (!recipe.locking().isOn()) return;
        String ending = "." + recipe.target().ending();
        if (!recipe.target().canLock()) throw wrong(Message.of("publish.a-cannot-be-locked-by-a-password-2", ending));
        if (!passwords.toChange().isEmpty())
            throw wrong(Message.of("publish.a-has-no-owner-password-it-can", ending));
        if (passwords.toOpen().isEmpty()) throw wrong(Message.of("publish.a-can-be-locked-by-a-password", ending));
        Set<Protection.Permission> all = EnumSet.allOf(Protection.Permission.class);
        if (!recipe.locking().allowed().containsAll(all))
            throw wrong(Message.of("publish.a-cannot-allow-some-things-and-forbid", ending));
        if (recipe.locking().strength() != Protection.Strength.AES_256 || recipe.locking().metadataInClear()) {
            throw wrong(Message.of("publish.a-is-locked-whole-by-aes", ending));
        }
    }

    /** What a recipe wishes that other formats know nothing of, by the names of its fields. */
    static List<Message> pdfOnly(Recipe recipe) {
        List<Message> unmet = new ArrayList<>();
        PdfStyle style = recipe.style();
        if (!recipe.pages().equals(PageRange.ALL)) unmet.add(Message.of("wish.pages", recipe.pages().text()));
        if (recipe.split() != null) unmet.add(Message.of("wish.split"));
        if (!style.bookmarks().equals(PdfStyle.PLAIN.bookmarks())) unmet.add(Message.of("wish.bookmarks"));
        if (style.fonts() != PdfStyle.PLAIN.fonts() || !style.wholeFamilies().isEmpty()) unmet.add(Message.of("wish.fonts"));
        if (!style.pictures().isExact()) unmet.add(Message.of("wish.pictures"));
        if (!style.compressed()) unmet.add(Message.of("wish.compressed"));
        if (!style.tagged()) unmet.add(Message.of("wish.tagged"));
        if (style.standard() != PdfStyle.PLAIN.standard()) unmet.add(Message.of("wish.standard", style.standard().words()));
        if (style.version() > 0) unmet.add(Message.of("wish.version", style.version()));
        if (style.fillable()) unmet.add(Message.of("wish.fillable"));
        if (style.incremental()) unmet.add(Message.of("wish.incremental"));
        if (style.linearized()) unmet.add(Message.of("wish.linearized"));
        if (!style.opening().equals(PdfStyle.PLAIN.opening())) unmet.add(Message.of("wish.opening"));
        for (Laid laid : recipe.laid()) unmet.add(Message.of(laid.file() ? "wish.letterhead" : laid.isStamp() ? "wish.stamp" : "wish.watermark"));
        if (recipe.attachSource()) unmet.add(Message.of("wish.attach"));
        if (recipe.remake()) unmet.add(Message.of("wish.remake"));
        return unmet;
    }

    /** Plain text has no place for facts; that none are said in it needs no wish. */
    private static void facts(Recipe recipe) {
        FactsRule facts = recipe.facts();
        boolean said = facts.title() != null || facts.subject() != null || facts.author() != null || facts.keywords() != null || !facts.own().isEmpty();
        if (said) throw wrong(Message.of("publish.a-has-no-place-for-a-title", recipe.target().ending()));
    }

    /**
     * The same choices as far as another format can keep them. A lock is never given up: where it can't be, the publication is refused.
     */
    static Recipe adapted(Recipe recipe, Target target) {
        Recipe made = recipe.to(target);
        if (target == Target.PDF) return made.with(Recipe.OfficeFonts.AS_THEY_CAME).with(PlainText.PLAIN);
        made = made.of(PageRange.ALL).split(null).with(PdfStyle.PLAIN).with(List.of()).attaching(false).remaking(false);
        if (target.format().takesFacts()) return made;
        FactsRule facts = recipe.facts();
        return made.with(facts.stripped() ? FactsRule.STRIP : FactsRule.KEEP);
    }

    private static DecantException wrong(Message message) { return new DecantException(Kind.WRONG_CALL, message); }
}
