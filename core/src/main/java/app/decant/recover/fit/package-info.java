/**
 * The document laid out and compared with the pages it came from, and spaced so that lines and pages end where they did. Begin with
 * {@link app.decant.recover.fit.PageFit}.
 */
package app.decant.recover.fit;
