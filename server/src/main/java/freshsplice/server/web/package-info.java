/** What every request meets: who may ask, and how errors are said. */
package freshsplice.server.web;
