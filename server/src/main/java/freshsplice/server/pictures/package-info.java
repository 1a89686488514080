/**
 * Small pictures of shots and renders for the tracks: drawn when they are first looked at, kept, and drawn anew only when
 * what they show has changed.
 */
package freshsplice.server.pictures;
