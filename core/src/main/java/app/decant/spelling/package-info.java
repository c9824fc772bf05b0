/**
 * Which words of a document are perhaps misspelled, and what they may have been meant as: by dictionaries that ship, each passage by its own language.
 * Read in this order: {@code Language}, {@code Speller} for one word, {@code Spelling} for a document.
 */
package app.decant.spelling;
