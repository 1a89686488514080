/**
 * Sets, things, cameras and their keys, as rows and as the core's types.
 */
package freshsplice.server.stores.stages;
