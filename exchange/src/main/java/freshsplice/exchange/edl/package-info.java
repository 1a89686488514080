/**
 * Edit decision lists: SMPTE ST 258 and the older 3600 style that the trade still writes. Text in, statements
 * ({@link freshsplice.exchange.edl.EdlStatement}), then tracks; no statement is dropped without a remark.
 * Read {@link freshsplice.exchange.edl.EdlReader} first.
 */
package freshsplice.exchange.edl;
