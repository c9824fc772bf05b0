/**
 * The content stream of one laid page (ISO 32000-2, 7.8.2): pieces as operators, and what is painted over or under a page. Begin with
 * {@link app.decant.pdf.page.PageContent}.
 */
package app.decant.pdf.page;
