/**
 * What differs between a master, or an older cut, and a newer cut; and how chosen differences are carried into the
 * master. Clips are paired by an alignment ({@link freshsplice.core.changes.Alignment}); the figures of each pair
 * follow from the two clips alone. Read {@link freshsplice.core.changes.ChangeFinder} first.
 */
package freshsplice.core.changes;
