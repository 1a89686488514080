/** Cuts and clips of another rate: by real time or frame for frame, as somebody chose. */
package freshsplice.core.rates;
