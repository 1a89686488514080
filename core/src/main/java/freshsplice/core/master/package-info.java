/**
 * The assembled sequence: clips of shots over a record clock, which of them is live at each frame, the chain from
 * record frame to shot frame to action frame, and edits as pure functions from a master to a master.
 * Read {@link freshsplice.core.master.Master} and {@link freshsplice.core.master.FrameChain} first.
 */
package freshsplice.core.master;
