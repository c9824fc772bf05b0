/**
 * The machine rules of ISO 19005 (PDF/A) and ISO 14289 (PDF/UA), as the veraPDF validation model states them. It stands in a module of its own, so that the
 * model and the old libraries it brings are seen by {@link app.decant.standards.MachineRules} alone; what a broken rule is called is said elsewhere.
 */
package app.decant.standards;
