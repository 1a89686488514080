/**
 * Projects, their rules, history and people.
 */
package freshsplice.server.http.projects;
