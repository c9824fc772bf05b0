/**
 * What can be done, as one list that the palette, the keys, the slip and the buttons read.
 */
package app.decant.desktop.command;
