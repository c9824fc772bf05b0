/**
 * What the program says: {@link app.decant.words.Message} is a sentence as a value, {@link app.decant.words.Sentences} puts it into words from a bundle. The
 * bundle of the core is {@code sentences.properties} beside this; the window has one of its own. Nothing here knows what is said, or to whom.
 */
package app.decant.words;
