/** XML as small trees, read with no outside entities and within limits, and written the same way every time. Shared by the format families. */
package app.decant.xml;
