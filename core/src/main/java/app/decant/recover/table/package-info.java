/**
 * Tables: found by tags, by rules drawn around them, by bars of colour or by alignment alone; each gives a {@link app.decant.recover.table.TableGrid}.
 */
package app.decant.recover.table;
