/**
 * Pictures, movies and sound as files, with ranges.
 */
package freshsplice.server.http.media;
