/**
 * Intake and Turnover as the window shows them. Read {@link freshsplice.server.http.cuts.CutController} first.
 */
package freshsplice.server.http.cuts;
