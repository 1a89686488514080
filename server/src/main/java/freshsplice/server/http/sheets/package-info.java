/** Contact sheets, asked for and given. */
package freshsplice.server.http.sheets;
