/**
 * Intake and Turnover as the window shows them. Read {@link freshsplice.server.http.cuts.IntakeController} first.
 */
package freshsplice.server.http.cuts;
