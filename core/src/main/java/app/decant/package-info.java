/** The front door: {@link app.decant.Decant}. */
package app.decant;
