/**
 * The tables as Hibernate sees them, and the way from rows to the core's types and back. Rows are plain carriers
 * of columns, without a rule. Read {@link freshsplice.server.store.Row} first.
 */
package freshsplice.server.store;
