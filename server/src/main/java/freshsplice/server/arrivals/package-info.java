/** Files arrive: cuts, pictures, sound, zips and lists of checksums, sorted by what they are. */
package freshsplice.server.arrivals;
