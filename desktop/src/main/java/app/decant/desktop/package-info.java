/**
 * The window. {@link app.decant.desktop.Desk} holds what is being worked on; the stations, the spine, the page table, the slip and the ledger show
 * it and hand edits to it. No computation lives here: everything that takes time is the core's and runs off the JavaFX thread.
 */
package app.decant.desktop;
