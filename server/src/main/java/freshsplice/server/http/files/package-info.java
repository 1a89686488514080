/** Answers that are files. */
package freshsplice.server.http.files;
