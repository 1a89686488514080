/**
 * Cuts arrive, are looked at, received, and compared with the master; lists are handed back.
 * Read {@link freshsplice.server.cuts.Intake} first.
 */
package freshsplice.server.cuts;
