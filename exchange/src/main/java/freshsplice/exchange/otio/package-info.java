/**
 * The open JSON interchange for timelines. The file is streamed: each clip becomes a small item as soon as it is read,
 * and the tracks are laid out afterwards. Read {@link freshsplice.exchange.otio.OtioReader} first; what maps to what
 * is in docs/formats/otio.md.
 */
package freshsplice.exchange.otio;
