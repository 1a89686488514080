/**
 * Readers and writers of open formats, to and from the core's types. Each format is one package; this one holds the
 * seam they share: {@link freshsplice.exchange.CutReader}, {@link freshsplice.exchange.CutWriter} and what goes in
 * and out of them. A reader drops nothing in silence: what it cannot keep becomes a remark. No rule of the job lives
 * here. Read {@link freshsplice.exchange.Formats} first.
 */
package freshsplice.exchange;
