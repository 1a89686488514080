/** Productions, their steps, and the line to open windows. */
package freshsplice.server.projects;
