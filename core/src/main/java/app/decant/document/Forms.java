package app.decant.document;

/** The places of a document's forms. */
public final class Forms {
    private Forms() { }

    /** Whether anything is to be filled in. */
    public static boolean hasAny(Document document) {
        for (Story story : Stories.all(document))
            for (Walk.Stop stop : Walk.of(document, story).stops())
                for (Inline inline : stop.paragraph().inlines()) if (inline.look().says(TextProperty.FORM)) return true;
        return false;
    }
}
