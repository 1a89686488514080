/**
 * What several formats share in laying out a lane: formats that tell a lane as a row of lengths, with transitions
 * between neighbours, and no places on a clock. Read {@link freshsplice.exchange.layout.LaneRow} first.
 */
package freshsplice.exchange.layout;
