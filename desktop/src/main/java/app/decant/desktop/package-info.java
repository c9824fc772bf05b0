/**
 * The window: the line of stations, the spine, the ledger, and the commands. No computation lives here: everything that takes time is the core's and
 * runs off the JavaFX thread. From below: {@code part}, {@code work}, {@code command}, {@code table}, {@code station}, then a package for each station
 * and room, which do not see each other, then {@link app.decant.desktop.MainWindow}, which brings them together.
 */
package app.decant.desktop;
