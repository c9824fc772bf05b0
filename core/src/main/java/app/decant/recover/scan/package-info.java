/**
 * The picture of a page, looked at: its {@link app.decant.recover.scan.Bitmap ink}, how far it stands askew, its rules, areas and pictures, and what its words
 * look like. All of it together is a {@link app.decant.recover.scan.ScannedSheet}.
 */
package app.decant.recover.scan;
