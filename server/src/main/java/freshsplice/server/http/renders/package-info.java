/**
 * Renders asked for, listed and fetched.
 */
package freshsplice.server.http.renders;
