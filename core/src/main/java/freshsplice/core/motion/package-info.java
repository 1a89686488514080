/**
 * Movement over frames: keys, the way between them, and channels that are evaluated at any exact position. Knows no
 * cameras and no items. Read {@link freshsplice.core.motion.Channel} first.
 */
package freshsplice.core.motion;
