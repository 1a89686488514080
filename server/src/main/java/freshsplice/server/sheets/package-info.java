/** Contact sheets: pictures of chosen shots on pages. */
package freshsplice.server.sheets;
