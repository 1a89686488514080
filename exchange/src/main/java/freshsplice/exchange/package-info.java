/**
 * Readers and writers of open formats, to and from the core's types. Each format is one package; a reader drops nothing in
 * silence: what it cannot keep becomes a remark. No rule of the job lives here. Read {@link freshsplice.exchange.Formats}
 * first.
 */
package freshsplice.exchange;
