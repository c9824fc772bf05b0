package app.decant.document;

/** What follows one upon another down a page. */
public sealed interface Block permits Paragraph, Table, Contents, OpaqueBlock { }
