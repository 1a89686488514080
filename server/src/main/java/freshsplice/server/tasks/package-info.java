/** Long work in the background: told as it goes on, and stopped on wish. */
package freshsplice.server.tasks;
