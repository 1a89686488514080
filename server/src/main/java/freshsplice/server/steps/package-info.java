/**
 * Edits as steps: one transaction, one name, who and when, and what it changed, so that it can be undone and redone
 * whole, after a restart too. Read {@link freshsplice.server.steps.Steps} first.
 */
package freshsplice.server.steps;
