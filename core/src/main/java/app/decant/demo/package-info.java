/**
 * The demo company's documents, made as values by this program: <b>Ostrey Sound Ferries</b>, an invented small ferry company. All names, places
 * and figures are invented. {@link app.decant.demo.DemoFiles} writes them as files.
 */
package app.decant.demo;
