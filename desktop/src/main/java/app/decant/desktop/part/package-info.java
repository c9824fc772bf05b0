/**
 * Parts that screens are made of: the words of the interface, sentences whose phrases are settings, the cards they open, rows of findings. Knows no
 * document. Begin with {@link app.decant.desktop.part.Sentence}.
 */
package app.decant.desktop.part;
