/**
 * Storage, the HTTP interface, the render queue. Holds no rule of the job: those are in the core. Each package is one
 * thing people do; each has a controller that speaks HTTP and a service that makes steps.
 * Read {@link freshsplice.server.FreshSplice} first.
 */
package freshsplice.server;
