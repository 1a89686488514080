/**
 * Files as they are given.
 */
package freshsplice.server.http.arrivals;
