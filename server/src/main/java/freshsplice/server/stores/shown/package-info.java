/** What is read for showing only, and kept until a step touches it. */
package freshsplice.server.stores.shown;
