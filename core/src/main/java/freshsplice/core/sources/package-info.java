/** Finding the files that the clips of a cut mean, among those that were given or lie in a folder. */
package freshsplice.core.sources;
