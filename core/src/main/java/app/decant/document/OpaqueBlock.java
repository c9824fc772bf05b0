package app.decant.document;

/** A block that is kept but not edited. */
public record OpaqueBlock(Opaque opaque) implements Block { }
