/** Pictures, movies and sound as they were given, and smaller pictures of them. */
package freshsplice.server.media;
