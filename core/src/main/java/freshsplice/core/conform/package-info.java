/**
 * From a cut to shots: which neighbouring clips are one shot, what codes, frames and cameras they get, and where
 * edit, cameras and renders disagree afterwards. Read {@link freshsplice.core.conform.Conform} first.
 */
package freshsplice.core.conform;
