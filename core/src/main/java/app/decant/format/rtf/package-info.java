/** Rich text files (RTF 1.9.1): written here, read through RTF Parser Kit. */
package app.decant.format.rtf;
