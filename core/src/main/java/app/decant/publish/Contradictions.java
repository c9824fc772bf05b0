package app.decant.publish;

import app.decant.document.DecantException.Kind;
import app.decant.document.DecantException;
import app.decant.document.Facts;
import app.decant.format.text.PlainText;
import app.decant.pdf.PdfChoices;
import app.decant.pdf.PdfStyle;
import app.decant.pdf.lock.Protection;
import java.time.Instant;
import java.util.ArrayList;
import java.util.EnumSet;
import java.util.List;
import java.util.Locale;
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
            String name = order.source() == null ? "" : ", such as “" + SafeFile.withoutEnding(order.source().getFileName().toString())
                    + "”, the name of its file";
            throw wrong(recipe.style().standard().words() + " asks for a title, and the document has none. Give it one" + name + ".");
        }
        int count = recipe.pages().of(order.labels()).size();
        int first = recipe.style().opening().page();
        if (first > count) throw wrong("The file is to open at page " + first + ", but has " + count + (count == 1 ? " page." : " pages.")
                + " Choose one of them.");
    }

    /** The same of what can be told before there are pages. */
    static void refuse(Recipe recipe, Recipe.Passwords passwords) {
        boolean given = !passwords.toOpen().isEmpty() || !passwords.toChange().isEmpty();
        if (given && !recipe.locking().isOn())
            throw wrong("A password is given, but the file is not to be locked. Choose a strength, or leave the password out.");
        if (!recipe.locking().isOn() && recipe.locking().allowed().size() < Protection.Permission.values().length) {
            throw wrong("What readers may do is limited, but the file is not to be locked, so that everybody may do everything. Choose a strength, or "
                    + "allow all.");
        }
        if (recipe.target() == Target.PDF) {
            if (recipe.officeFonts() != Recipe.OfficeFonts.AS_THEY_CAME)
                throw wrong("Fonts of office files are wished, but a PDF is made. Say for a PDF which characters go in, or choose .docx or .odt.");
            new PdfChoices(List.of(), recipe.style(), recipe.protection(passwords), List.of(), List.of(), Facts.NONE, recipe.facts().dates(),
                    recipe.addresses(), Instant.EPOCH).refuseContradictions();
            return;
        }
        lock(recipe, passwords);
        List<String> unmet = pdfOnly(recipe);
        if (!unmet.isEmpty()) throw wrong(String.join(", ", unmet) + ": that is for PDFs, not for a ." + recipe.target().ending()
                + ". Make a PDF, or leave it out.");
        if (!recipe.target().format().takesFacts()) facts(recipe);
    }

    private static void lock(Recipe recipe, Recipe.Passwords passwords) {
        if (!recipe.locking().isOn()) return;
        String ending = "." + recipe.target().ending();
        if (!recipe.target().canLock()) throw wrong("A " + ending + " can't be locked by a password here. Make a PDF or a .docx, or leave the lock out.");
        if (!passwords.toChange().isEmpty())
            throw wrong("A " + ending + " has no owner's password; it can be locked by a password to open only. Make a PDF, or give that one.");
        if (passwords.toOpen().isEmpty()) throw wrong("A " + ending + " can be locked by a password to open only, and none is given. Give one, or make a PDF.");
        Set<Protection.Permission> all = EnumSet.allOf(Protection.Permission.class);
        if (!recipe.locking().allowed().containsAll(all))
            throw wrong("A " + ending + " can't allow some things and forbid others to those who may open it. Make a PDF, or allow everything.");
        if (recipe.locking().strength() != Protection.Strength.AES_256 || recipe.locking().metadataInClear()) {
            throw wrong("A " + ending + " is locked whole, by AES with 256 bits; it can't be locked otherwise. Choose that, or make a PDF.");
        }
    }

    /** What a recipe wishes that other formats know nothing of, by the names of its fields. */
    static List<String> pdfOnly(Recipe recipe) {
        List<String> unmet = new ArrayList<>();
        PdfStyle style = recipe.style();
        if (!recipe.pages().equals(PageRange.ALL)) unmet.add("pages " + recipe.pages().text());
        if (recipe.split() != null) unmet.add("one file for each page");
        if (!style.bookmarks().equals(PdfStyle.PLAIN.bookmarks())) unmet.add("bookmarks");
        if (style.fonts() != PdfStyle.PLAIN.fonts() || !style.wholeFamilies().isEmpty()) unmet.add("how much of fonts goes in");
        if (!style.pictures().isExact()) unmet.add("pictures made coarser");
        if (!style.compressed()) unmet.add("left uncompressed");
        if (!style.tagged()) unmet.add("left untagged");
        if (style.standard() != PdfStyle.PLAIN.standard()) unmet.add("standard " + style.standard().words());
        if (style.version() > 0) unmet.add(String.format(Locale.ROOT, "PDF version %.1f", style.version()));
        if (style.linearized()) unmet.add("quick display (linearized)");
        if (!style.opening().equals(PdfStyle.PLAIN.opening())) unmet.add("how it opens");
        for (Laid laid : recipe.laid()) unmet.add(laid.file() ? "letterhead" : laid.isStamp() ? "stamp" : "watermark");
        if (recipe.attachSource()) unmet.add("the source inside");
        if (recipe.remake()) unmet.add("pages set anew");
        return unmet;
    }

    /** Plain text has no place for facts; that none are said in it needs no wish. */
    private static void facts(Recipe recipe) {
        FactsRule facts = recipe.facts();
        boolean said = facts.title() != null || facts.subject() != null || facts.author() != null || facts.keywords() != null || !facts.own().isEmpty();
        if (said) throw wrong("A ." + recipe.target().ending()
                + " has no place for a title, an author or other facts. Leave them out, or choose another format.");
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

    private static DecantException wrong(String sentence) {
        return new DecantException(Kind.WRONG_CALL, sentence.substring(0, 1).toUpperCase(Locale.ROOT) + sentence.substring(1));
    }
}
