/**
 * Stand-ins for what leaves an office: mail as files that any mail program opens, printing as pages in a folder. Nothing here sends anything
 * anywhere.
 */
package app.decant.outbox;
