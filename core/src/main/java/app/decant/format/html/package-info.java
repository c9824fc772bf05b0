/** Web pages (HTML) in and out, books (EPUB 3) out, and Markdown, which is read as the web page it stands for. */
package app.decant.format.html;
