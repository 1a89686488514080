/**
 * The tables as Hibernate sees them. Rows are plain carriers of columns, without a rule.
 * Read {@link freshsplice.server.rows.Row} first.
 */
package freshsplice.server.rows;
