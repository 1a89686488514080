/** Makes the demo's project through the same services that the window uses. */
package freshsplice.server.demo;
