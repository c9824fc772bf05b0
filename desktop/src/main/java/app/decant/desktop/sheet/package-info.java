/** Workbooks on their sheets: the sheet itself, what is picked on it, and the strip of sheets beside it. */
package app.decant.desktop.sheet;
