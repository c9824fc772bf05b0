package app.decant.edit;

import app.decant.document.Document;

/**
 * A transaction, and the documents before and after it.
 *
 * @param before the very object it is made for
 */
public record Change(Transaction transaction, Document before, Document after) {
    public boolean isNothing() { return before == after; }

    /** What is picked after it. */
    public Selection picked() { return transaction.after(); }
}
