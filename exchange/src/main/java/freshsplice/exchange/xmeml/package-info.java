/**
 * The interchange XML whose root element is {@code xmeml}, versions 4 and 5. The file is walked once by StAX, its
 * sequences and files noted, and the cuts laid out afterwards, because a file may be named before it is told in full.
 * Read {@link freshsplice.exchange.xmeml.XmemlReader} first; what maps to what is in docs/formats/xmeml.md.
 */
package freshsplice.exchange.xmeml;
