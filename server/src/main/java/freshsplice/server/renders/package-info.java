/**
 * Renders: asked for by {@link freshsplice.server.renders.RenderRequests}, begun, drawn and written in the background by
 * {@link freshsplice.server.renders.RenderQueue}, kept for ever, and told apart from what would be drawn now.
 */
package freshsplice.server.renders;
