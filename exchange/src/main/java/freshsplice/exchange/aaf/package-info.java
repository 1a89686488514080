/**
 * The Advanced Authoring Format, Object Specification 1.1: objects in a compound file ([MS-CFB], read and written by
 * a library). {@link freshsplice.exchange.aaf.AafObject} knows how properties are stored, the rest what they mean.
 * Media inside a file is left alone. Read {@link freshsplice.exchange.aaf.AafReader} first; what maps to what is in
 * docs/formats/aaf.md.
 */
package freshsplice.exchange.aaf;
