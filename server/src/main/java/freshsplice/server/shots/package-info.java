/** Shots are made: with a camera and a board. */
package freshsplice.server.shots;
