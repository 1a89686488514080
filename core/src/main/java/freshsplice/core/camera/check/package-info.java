/**
 * What a camera's work is held against before it is shown: how fast it goes, how near it comes to things, whether what it films stays
 * in its frame. Read {@link freshsplice.core.camera.check.CameraMove} first.
 */
package freshsplice.core.camera.check;
