package app.decant.layout;

import app.decant.document.Facts;
import app.decant.document.Inline;
import java.time.LocalDate;
import java.time.format.DateTimeFormatter;
import java.time.format.FormatStyle;
import java.util.Locale;
import java.util.Map;

/**
 * What fields read as.
 *
 * @param page      the label of the page that is being set
 * @param pages     how many there are
 * @param sectionPages how many there are in this section
 * @param noteMark  the mark of the note that is being set
 * @param bookmarks the label of the page each bookmark stands on
 * @param texts     the text between the points of each bookmark
 * @param today     for date fields
 */
record FieldValues(String page, int pages, int sectionPages, String noteMark, Map<String, String> bookmarks, Map<String, String> texts, Facts facts,
        LocalDate today) {
    FieldValues on(String label, int inSection) { return new FieldValues(label, pages, inSection, noteMark, bookmarks, texts, facts, today); }

    FieldValues in(String note) { return new FieldValues(page, pages, sectionPages, note, bookmarks, texts, facts, today); }

    String of(Inline.Field field) {
        String value = switch (field.kind()) {
            case PAGE -> page;
            case PAGES -> Integer.toString(pages);
            case SECTION_PAGES -> Integer.toString(sectionPages);
            case NOTE_MARK -> noteMark;
            case TITLE -> facts.title();
            case AUTHOR -> facts.author();
            case PAGE_REFERENCE -> bookmarks.get(field.argument());
            case REFERENCE -> texts.get(field.argument());
            case DATE -> field.result().isEmpty() ? today.format(DateTimeFormatter.ofLocalizedDate(FormatStyle.LONG).withLocale(Locale.UK)) : field.result();
            case TIME, FILE_NAME, OTHER -> null;
        };
        return value == null || value.isEmpty() ? field.result() : value;
    }
}
