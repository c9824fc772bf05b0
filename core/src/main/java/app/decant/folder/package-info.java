/** Whole trees of files at once: what is to be done, doing it on all cores, a journal that survives a crash, and a log worth keeping. */
package app.decant.folder;
