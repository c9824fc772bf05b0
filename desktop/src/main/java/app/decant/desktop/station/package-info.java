/**
 * What stations share: the window as they know it, what it has to say, the receipt of what was published.
 */
package app.decant.desktop.station;
