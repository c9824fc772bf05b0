/** Binary office files of the 1997-2003 generation (MS-DOC, MS-ODRAW), in containers of MS-CFB: written from nothing here, read by the common library. */
package app.decant.format.binary;
