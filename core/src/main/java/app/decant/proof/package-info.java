/**
 * How faithful pages are to others, in two numbers: how they look, and what they say and how that is built; and each thing that differs, with its place.
 * Nothing here knows what kind of document pages were laid out from. Begin with {@link app.decant.proof.Side}, what is compared, and
 * {@link app.decant.proof.Proof}, which pairs pages; then {@code PageComparison} with what it asks: {@code WordComparison}, {@code LineLooks},
 * {@code StructureComparison}, {@code Painting}.
 */
package app.decant.proof;
