package freshsplice.core.master;

import freshsplice.core.cut.FormatNote;

/**
 * What draws a title, a colour or bars in the edit room's program.
 *
 * @param name as its list names it
 * @param kept what its list says of it beside that, to be handed back; null for nothing
 */
public record Generator(String name, FormatNote kept) {
}
