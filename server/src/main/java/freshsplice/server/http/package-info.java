/**
 * What every request meets: who may ask, and how errors are said. Below it, room by room, what can be asked and what is
 * answered: nothing else of the server knows of HTTP.
 */
package freshsplice.server.http;
