/** Sentences. */
package freshsplice.core.words;
