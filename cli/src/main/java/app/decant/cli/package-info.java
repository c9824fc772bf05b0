/** The command line: reads what is asked, calls the core, tells what came of it. No computation lives here. */
package app.decant.cli;
