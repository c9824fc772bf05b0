/**
 * The table: pages under one another, whether they are laid out or a file's own, with caret, keyboard and mouse. Begin with
 * {@link app.decant.desktop.table.PageView}, which shows pages, then {@link app.decant.desktop.table.PageTable}, where they are written on.
 */
package app.decant.desktop.table;
