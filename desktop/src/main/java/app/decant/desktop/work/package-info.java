/**
 * What is being worked on. A {@link app.decant.desktop.work.Session} is one open document: its state, history, pages, what is picked in it; it is read
 * from outside and changed through the {@link app.decant.desktop.work.Desk}, which also takes documents in and publishes them. Nothing here draws. Read
 * the session first.
 */
package app.decant.desktop.work;
