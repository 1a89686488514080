/** Tells open windows what happened, at once, and those that were away what they missed. */
package freshsplice.server.live;
