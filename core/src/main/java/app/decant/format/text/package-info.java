/** Plain text: encodings found out and lines as paragraphs, and documents as text. */
package app.decant.format.text;
