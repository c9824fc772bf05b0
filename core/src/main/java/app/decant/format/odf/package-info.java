/** OpenDocument text files (ISO/IEC 26300-1, version 1.2): written and read here. */
package app.decant.format.odf;
