/** Refusals in words, told apart from faults. Rules throw {@link freshsplice.core.refusal.Refusal}; nothing else lives here. */
package freshsplice.core.refusal;
