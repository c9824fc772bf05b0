/**
 * Office Open XML text documents (ISO/IEC 29500): {@link app.decant.format.ooxml.DocxReader} and {@link app.decant.format.ooxml.DocxWriter}.
 *
 * <p>What the model does not hold is kept as {@link app.decant.document.Opaque} and written back; what cannot even be kept is a finding.
 */
package app.decant.format.ooxml;
