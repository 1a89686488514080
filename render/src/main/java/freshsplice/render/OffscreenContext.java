package freshsplice.render;

import java.nio.IntBuffer;
import org.lwjgl.egl.EGL;
import org.lwjgl.egl.EGL10;
import org.lwjgl.egl.EGL12;
import org.lwjgl.egl.EGL14;
import org.lwjgl.egl.EGL15;
import org.lwjgl.opengl.GL;
import org.lwjgl.system.Configuration;
import org.lwjgl.system.MemoryStack;

/**
 * An OpenGL 3.3 core context without a window or a screen: EGL, surfaceless. A GPU draws where there is one, Mesa's
 * software renderer everywhere else. Belongs to the thread that made it.
 */
final class OffscreenContext implements AutoCloseable {
    private static final int PLATFORM_SURFACELESS_MESA = 0x31DD;

    static {
        // the default display is handle zero, which LWJGL's own checks refuse
        Configuration.DISABLE_CHECKS.set(true);
    }

    private final long display;
    private final long context;

    /** @throws CannotDraw if there is no EGL, or no OpenGL 3.3 */
    OffscreenContext() {
        try (MemoryStack stack = MemoryStack.stackPush()) {
            display = open(stack);
            EGL.createDisplayCapabilities(display);
            EGL12.eglBindAPI(EGL14.EGL_OPENGL_API);
            long config = chooseConfig(stack);
            IntBuffer attributes = stack.ints(EGL15.EGL_CONTEXT_MAJOR_VERSION, 3, EGL15.EGL_CONTEXT_MINOR_VERSION, 3,
                    EGL15.EGL_CONTEXT_OPENGL_PROFILE_MASK, EGL15.EGL_CONTEXT_OPENGL_CORE_PROFILE_BIT, EGL10.EGL_NONE);
            context = EGL10.eglCreateContext(display, config, EGL10.EGL_NO_CONTEXT, attributes);
            if (context == EGL10.EGL_NO_CONTEXT || !EGL10.eglMakeCurrent(display, EGL10.EGL_NO_SURFACE,
                    EGL10.EGL_NO_SURFACE, context)) {
                throw new CannotDraw("OpenGL 3.3 cannot be started here: install Mesa (libgl1-mesa-dri)");
            }
            GL.createCapabilities();
        } catch (UnsatisfiedLinkError e) {
            throw new CannotDraw("There is no EGL library here: install libegl1");
        }
    }

    private static long open(MemoryStack stack) {
        long display = EGL15.neglGetPlatformDisplay(PLATFORM_SURFACELESS_MESA, 0, 0);
        if (display == EGL10.EGL_NO_DISPLAY) {
            display = EGL10.eglGetDisplay(EGL14.EGL_DEFAULT_DISPLAY);
        }
        if (display == EGL10.EGL_NO_DISPLAY
                || !EGL10.eglInitialize(display, stack.mallocInt(1), stack.mallocInt(1))) {
            throw new CannotDraw("EGL has no display without a screen here: install Mesa (libgl1-mesa-dri)");
        }
        return display;
    }

    private long chooseConfig(MemoryStack stack) {
        IntBuffer wanted = stack.ints(EGL12.EGL_RENDERABLE_TYPE, EGL14.EGL_OPENGL_BIT, EGL10.EGL_NONE);
        org.lwjgl.PointerBuffer configs = stack.mallocPointer(1);
        IntBuffer count = stack.mallocInt(1);
        if (!EGL10.eglChooseConfig(display, wanted, configs, count) || count.get(0) == 0) {
            return 0;
        }
        return configs.get(0);
    }

    @Override
    public void close() {
        EGL10.eglMakeCurrent(display, EGL10.EGL_NO_SURFACE, EGL10.EGL_NO_SURFACE, EGL10.EGL_NO_CONTEXT);
        EGL10.eglDestroyContext(display, context);
        GL.setCapabilities(null);
    }
}
