/**
 * Publishing: the sentence with its cards, the pages to choose from, what waits, what happens afterwards. Begin with
 * {@link app.decant.desktop.publish.PublishStation}.
 */
package app.decant.desktop.publish;
