/** Formulas as files tell them, in Office Math (ISO/IEC 29500-1, 22.1) and MathML 3, and how they are set. */
package app.decant.format.formula;
