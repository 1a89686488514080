/**
 * What is said to whoever asked for something that cannot be.
 */
package freshsplice.server.refusals;
