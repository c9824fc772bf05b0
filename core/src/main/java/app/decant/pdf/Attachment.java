package app.decant.pdf;

/** A file that travels inside a PDF (ISO 32000-2, 7.11.4). */
public record Attachment(String name, String type, byte[] bytes, String description) { }
