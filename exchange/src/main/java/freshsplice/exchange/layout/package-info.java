/**
 * What several formats share in laying out a track: formats that tell a track as a row of lengths, with transitions
 * between neighbours, and no places on a clock. Read {@link freshsplice.exchange.layout.TrackRow} first.
 */
package freshsplice.exchange.layout;
