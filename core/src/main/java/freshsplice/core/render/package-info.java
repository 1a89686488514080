/**
 * Render jobs as values: what is asked for, how it is made, into which files, how many frames of what size that is, and how it is cut
 * into chunks. Whoever draws or keeps them asks here. Read {@link freshsplice.core.render.RenderAsk} and
 * {@link freshsplice.core.render.Recipe} first.
 */
package freshsplice.core.render;
