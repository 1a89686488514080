/** Edits of a master: pure functions from a master to the master after it, or a sentence that says why not. */
package freshsplice.core.master.edit;
