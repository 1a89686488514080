/**
 * What all formats share: {@link freshsplice.exchange.format.CutReader}, {@link freshsplice.exchange.format.CutWriter}, what
 * goes in and out of them, and how far a file is trusted.
 */
package freshsplice.exchange.format;
