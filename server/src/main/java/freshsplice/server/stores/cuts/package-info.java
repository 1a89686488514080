/** Cuts and the choices about them, as tables and back. */
package freshsplice.server.stores.cuts;
