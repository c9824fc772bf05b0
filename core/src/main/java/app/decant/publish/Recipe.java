package app.decant.publish;

import app.decant.document.Link;
import app.decant.format.text.PlainText;
import app.decant.pdf.PdfChoices;
import app.decant.pdf.PdfStyle;
import app.decant.pdf.lock.Protection;
import app.decant.sheet.SheetChoice;
import java.util.Collections;
import java.util.EnumSet;
import java.util.List;
import java.util.Set;
import java.util.function.Consumer;

/**
 * The choices of a publication: what can be named, kept and used again. It holds no passwords; those are given anew each time ({@link Passwords}).
 *
 * @param pages        which pages; office formats always hold the whole document
 * @param style        what a PDF is like
 * @param locking      how a PDF is locked
 * @param laid         what is laid under or over its pages
 * @param facts        what is said about the document
 * @param split        a pattern for names where each page becomes a file of its own ({@link NamePattern}); null for one file
 * @param attachSource whether the document it was made from travels inside
 * @param links        whether addresses that are written out become links
 * @param addresses    schemes of links that pass besides {@link Link.Address#USUAL}; "relative" stands for addresses without one
 * @param restricted   what becomes of fonts that may not be put into files
 * @param text         how plain text is written
 * @param officeFonts  which fonts travel in an office file
 * @param remake       whether the pages of a PDF are set anew, instead of being kept as they are
 * @param changes      what becomes of tracked changes that nobody has settled yet
 * @param sheets       what of a workbook is put onto pages, and how
 * @param present      what happens to a file that is there already
 */
public record Recipe(Target target, PageRange pages, PdfStyle style, Locking locking, List<Laid> laid, FactsRule facts, String split, boolean attachSource,
        Links links, Set<String> addresses, Restricted restricted, OfficeFonts officeFonts, PlainText text, boolean remake, Changes changes,
        SheetChoice sheets, WhenPresent present) {
    /** A PDF of all pages, bookmarks from headings 1 to 3, used characters only, tagged, open to everybody. */
    public static final Recipe PLAIN = new Recipe(Target.PDF, PageRange.ALL, PdfStyle.PLAIN, Locking.NONE, List.of(), FactsRule.KEEP, null, false,
            Links.AS_THEY_ARE, Set.of(), Restricted.STOP, OfficeFonts.AS_THEY_CAME, PlainText.PLAIN, false, Changes.AUTOMATIC,
            SheetChoice.AS_SET_UP, WhenPresent.REFUSE);

    public Recipe {
        laid = List.copyOf(laid);
        addresses = Set.copyOf(addresses);
    }

    /** What happens to a file that is there already: the publication stops, takes its place, or takes the next free name. */
    public enum WhenPresent { REFUSE, REPLACE, KEEP_BOTH }

    /** Fonts whose licence forbids them in files: publishing stops, or others take their place. */
    public enum Restricted { STOP, REPLACE }

    /**
     * Tracked changes: kept where the format has a place for them and else accepted; shown with their marks, on pages too; accepted; rejected.
     */
    public enum Changes {
        AUTOMATIC, MARKED, ACCEPTED, REJECTED;

        /** Whether they are settled in a target: accepted, rejected, or null where they stay. */
        public Boolean settled(Target target) {
            boolean holds = target != Target.PDF && target.format().takesTrackedChanges();
            return switch (this) {
                case AUTOMATIC -> holds ? null : Boolean.TRUE;
                case MARKED -> holds || target == Target.PDF ? null : Boolean.TRUE;
                case ACCEPTED -> true;
                case REJECTED -> false;
            };
        }
    }

    /** Fonts in office files: those the document brought along; all that it is set in, their used characters or whole; or none. */
    public enum OfficeFonts { AS_THEY_CAME, USED_CHARACTERS, WHOLE, NONE }

    /** Links as the document has them; written-out addresses live as well; and shown as links, underlined in blue. */
    public enum Links { AS_THEY_ARE, FOUND, FOUND_AND_SHOWN }

    /**
     * How a PDF is locked, without the passwords.
     *
     * @param metadataInClear whether what is said about the document stays readable
     */
    public record Locking(Protection.Strength strength, Set<Protection.Permission> allowed, boolean metadataInClear) {
        public static final Locking NONE = new Locking(Protection.Strength.NONE, EnumSet.allOf(Protection.Permission.class));

        public Locking { allowed = allowed.isEmpty() ? Set.of() : Collections.unmodifiableSet(EnumSet.copyOf(allowed)); }

        public Locking(Protection.Strength strength, Set<Protection.Permission> allowed) { this(strength, allowed, false); }

        public boolean isOn() { return strength != Protection.Strength.NONE; }
    }

    /** The passwords of one publication; empty where none is wished. Never kept, never told. */
    public record Passwords(String toOpen, String toChange) {
        public static final Passwords NONE = new Passwords("", "");

        @Override public String toString() { return "Passwords[not told]"; }
    }

    /**
     * Refuses what can't be, as far as that can be told before there are pages.
     *
     * @throws app.decant.document.DecantException ({@code WRONG_CALL}) with a sentence that names it
     */
    public void refuseContradictions(Passwords passwords) { Contradictions.refuse(this, passwords); }

    /** How a PDF is locked; an owner's password that is not given is one that nobody knows, so that what is not allowed can't be allowed later. */
    Protection protection(Passwords passwords) {
        if (!locking.isOn()) return Protection.NONE;
        return new Protection(locking.strength(), passwords.toOpen(), passwords.toChange().isEmpty() ? Protection.unguessable() : passwords.toChange(),
                locking.allowed(), locking.metadataInClear());
    }

    /** Whether the pages of a PDF are published as they are: all that is wished can be had without reading their text. */
    public boolean keepsPages() { return target == Target.PDF && !remake && links == Links.AS_THEY_ARE; }

    /** The same choices as far as another format can keep them; what is for PDFs only is left out, but a lock never is. */
    public Recipe as(Target other) { return Contradictions.adapted(this, other); }

    /** The choices while one of them is changed. */
    private static final class Draft {
        private Target target;
        private PageRange pages;
        private PdfStyle style;
        private Locking locking;
        private List<Laid> laid;
        private FactsRule facts;
        private String split;
        private boolean attachSource;
        private Links links;
        private Set<String> addresses;
        private Restricted restricted;
        private OfficeFonts officeFonts;
        private PlainText text;
        private boolean remake;
        private Changes changes;
        private SheetChoice sheets;
        private WhenPresent present;

        Draft(Recipe recipe) {
            target = recipe.target;
            pages = recipe.pages;
            style = recipe.style;
            locking = recipe.locking;
            laid = recipe.laid;
            facts = recipe.facts;
            split = recipe.split;
            attachSource = recipe.attachSource;
            links = recipe.links;
            addresses = recipe.addresses;
            restricted = recipe.restricted;
            officeFonts = recipe.officeFonts;
            text = recipe.text;
            remake = recipe.remake;
            changes = recipe.changes;
            sheets = recipe.sheets;
            present = recipe.present;
        }

        Recipe made() {
            return new Recipe(target, pages, style, locking, laid, facts, split, attachSource, links, addresses, restricted, officeFonts, text, remake,
                    changes, sheets, present);
        }
    }

    private Recipe changed(Consumer<Draft> change) {
        Draft draft = new Draft(this);
        change.accept(draft);
        return draft.made();
    }

    public Recipe to(Target other) { return changed(draft -> draft.target = other); }
    public Recipe of(PageRange other) { return changed(draft -> draft.pages = other); }
    public Recipe with(PdfStyle other) { return changed(draft -> draft.style = other); }
    public Recipe with(PdfChoices.Bookmarks other) { return with(style.with(other)); }
    public Recipe with(PdfChoices.Fonts other) { return with(style.with(other)); }
    public Recipe with(Locking other) { return changed(draft -> draft.locking = other); }
    public Recipe with(List<Laid> other) { return changed(draft -> draft.laid = other); }
    public Recipe with(FactsRule other) { return changed(draft -> draft.facts = other); }
    public Recipe split(String pattern) { return changed(draft -> draft.split = pattern); }
    public Recipe attaching(boolean source) { return changed(draft -> draft.attachSource = source); }
    public Recipe with(Links other) { return changed(draft -> draft.links = other); }
    public Recipe passing(Set<String> schemes) { return changed(draft -> draft.addresses = schemes); }
    public Recipe with(Restricted other) { return changed(draft -> draft.restricted = other); }
    public Recipe with(OfficeFonts other) { return changed(draft -> draft.officeFonts = other); }
    public Recipe with(PlainText other) { return changed(draft -> draft.text = other); }
    public Recipe remaking(boolean other) { return changed(draft -> draft.remake = other); }
    public Recipe with(Changes other) { return changed(draft -> draft.changes = other); }
    public Recipe with(SheetChoice other) { return changed(draft -> draft.sheets = other); }
    public Recipe with(WhenPresent other) { return changed(draft -> draft.present = other); }
}
