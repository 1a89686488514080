/** Boards: how a reference picture lies over the delivery frame. */
package freshsplice.core.board;
