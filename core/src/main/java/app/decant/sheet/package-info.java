/**
 * Workbooks as values, and their way onto pages. Read in this order: {@code Workbook}, {@code Sheet}, {@code Cell}; then {@code SheetLayout}, which asks
 * {@code SheetGrid} where columns and rows stand, {@code SheetSplit} what goes onto which page, and {@code SheetPainter} what is to be seen there.
 * Files are read in {@code format.sheet}.
 */
package app.decant.sheet;
