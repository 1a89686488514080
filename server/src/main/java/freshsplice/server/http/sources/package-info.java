/**
 * What is missing, and the files for it.
 */
package freshsplice.server.http.sources;
