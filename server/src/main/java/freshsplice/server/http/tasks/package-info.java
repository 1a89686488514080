/**
 * Work in the background: how far it is, and stopping it.
 */
package freshsplice.server.http.tasks;
