/**
 * Which sources of two cuts are the same one. Within a format a source's identity says it; another format tells other names
 * of it (clip, reel, file, timecode), so names, source times, lengths and neighbours are weighed over both cuts at once.
 * Read {@link freshsplice.core.identity.SameSources} first. Comparing clips is in {@code core.changes}.
 */
package freshsplice.core.identity;
