/**
 * A page parted into what belongs together: {@link app.decant.recover.region.PageMatter} holds what the page shows, running heads are taken away,
 * boxes and drawings set apart, and {@link app.decant.recover.region.ReadingOrder} gives the rest as {@link app.decant.recover.region.Part} after part.
 */
package app.decant.recover.region;
