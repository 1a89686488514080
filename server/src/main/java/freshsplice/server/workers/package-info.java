/** Other machines that draw for this one: the keys that they are let in by, their seats, and the frames that come of them. */
package freshsplice.server.workers;
