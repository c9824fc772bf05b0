/**
 * The room for whole folders: their sentence, the run in lanes, what is looked at after it, watching. Begin with
 * {@link app.decant.desktop.folders.FoldersRoom}.
 */
package app.decant.desktop.folders;
