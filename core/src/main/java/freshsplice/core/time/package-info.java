/**
 * Time as the trade counts it: exact rates, whole frames, timecode labels, half-open ranges, and the map from
 * record frames to source positions. Never floating seconds. Nothing here knows of cuts or shots.
 * Read {@link freshsplice.core.time.FrameRate} first.
 */
package freshsplice.core.time;
