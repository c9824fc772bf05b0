/**
 * Publications: a {@link app.decant.publish.Recipe} and a document make a file, which is proven before it takes its name, and a
 * {@link app.decant.publish.Receipt} that says what was checked.
 */
package app.decant.publish;
