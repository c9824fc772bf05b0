package app.decant.pdf.keep;

/** What a page has no room for, on its way to the next. */
public sealed interface Arrival permits GivenLines, GivenWords {
    /** The index of the page it comes from. */
    int from();

    /** The number of the page that is to take it. */
    int page();
}
