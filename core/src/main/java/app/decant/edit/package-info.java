/**
 * Changing documents, as values.
 *
 * <p>Read in this order: a {@link app.decant.edit.Selection} says what is picked, in any story; a {@link app.decant.edit.Step} is one small change that
 * applies, is undone by another step, and tells by a {@link app.decant.edit.PositionMap} where every place has gone; a
 * {@link app.decant.edit.Transaction} is what a person did in one go: its steps, what was picked before and after, its kind. A
 * {@link app.decant.edit.Draft} collects steps while they are made up, as {@link app.decant.edit.Typing}, {@link app.decant.edit.Deletion},
 * {@link app.decant.edit.Pasting} and {@link app.decant.edit.Dressing} do; the {@link app.decant.edit.History} undoes. A {@link app.decant.edit.Slice}
 * is what was cut out or copied; {@link app.decant.edit.Search} finds words and looks in all stories; {@link app.decant.edit.Alike} is what is like something
 * that is right, and becomes it.
 *
 * <p>Whatever points into a document is mapped through steps, never searched again. What does not change stays the same object, so that layout knows
 * what it may keep.
 *
 * <p>What does not live here: pages, keys, words for people.
 */
package app.decant.edit;
