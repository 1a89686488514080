/**
 * Masters, their clips and the sound under them, as rows and as the core's types.
 * Read {@link freshsplice.server.stores.masters.MasterStore} first.
 */
package freshsplice.server.stores.masters;
