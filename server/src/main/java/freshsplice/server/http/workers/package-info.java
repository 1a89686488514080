/** What machines that draw for this one are answered, and what windows are told of them. */
package freshsplice.server.http.workers;
