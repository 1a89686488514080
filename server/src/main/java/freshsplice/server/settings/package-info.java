/** What whoever runs the server may set. */
package freshsplice.server.settings;
