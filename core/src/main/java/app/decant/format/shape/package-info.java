/**
 * Drawn shapes, whatever file they come from: each kind of file tells its outlines in a language of its own, and all become
 * {@link app.decant.format.shape.DrawnShape}s, drawings without pixels that stand where their shape stood.
 */
package app.decant.format.shape;
