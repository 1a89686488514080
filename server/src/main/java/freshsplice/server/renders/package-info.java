/**
 * Renders: asked for, drawn in the background one after another, kept for ever, and told apart from what would be
 * drawn now. Read {@link freshsplice.server.renders.RenderQueue} first.
 */
package freshsplice.server.renders;
