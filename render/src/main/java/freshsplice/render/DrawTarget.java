package freshsplice.render;

import static org.lwjgl.opengl.GL33C.*;

/** A frame buffer whose colour, and depth where it has one, can be read as a picture. */
record DrawTarget(int buffer, int colour, int depth, int width, int height) {
    /** How finely colours are kept. */
    enum Kind {
        BITS_8(GL_RGBA8, GL_UNSIGNED_BYTE), BITS_16(GL_RGBA16, GL_UNSIGNED_SHORT), FLOATS(GL_RGBA32F, GL_FLOAT);

        private final int format;
        private final int type;

        Kind(int format, int type) {
            this.format = format;
            this.type = type;
        }

        int format() {
            return format;
        }
    }

    static DrawTarget of(Kind kind, int width, int height, boolean deep) {
        int buffer = glGenFramebuffers();
        glBindFramebuffer(GL_FRAMEBUFFER, buffer);
        int colour = texture(kind.format, GL_RGBA, kind.type, width, height);
        glFramebufferTexture2D(GL_FRAMEBUFFER, GL_COLOR_ATTACHMENT0, GL_TEXTURE_2D, colour, 0);
        int depth = 0;
        if (deep) {
            depth = texture(GL_DEPTH_COMPONENT24, GL_DEPTH_COMPONENT, GL_UNSIGNED_INT, width, height);
            glFramebufferTexture2D(GL_FRAMEBUFFER, GL_DEPTH_ATTACHMENT, GL_TEXTURE_2D, depth, 0);
        }
        if (glCheckFramebufferStatus(GL_FRAMEBUFFER) != GL_FRAMEBUFFER_COMPLETE) {
            throw new CannotDraw("There is not enough memory for pictures of " + width + " x " + height + " pixels");
        }
        return new DrawTarget(buffer, colour, depth, width, height);
    }

    private static int texture(int format, int layout, int type, int width, int height) {
        int texture = glGenTextures();
        glBindTexture(GL_TEXTURE_2D, texture);
        glTexImage2D(GL_TEXTURE_2D, 0, format, width, height, 0, layout, type, 0L);
        glTexParameteri(GL_TEXTURE_2D, GL_TEXTURE_MIN_FILTER, GL_NEAREST);
        glTexParameteri(GL_TEXTURE_2D, GL_TEXTURE_MAG_FILTER, GL_NEAREST);
        glTexParameteri(GL_TEXTURE_2D, GL_TEXTURE_WRAP_S, GL_CLAMP_TO_EDGE);
        glTexParameteri(GL_TEXTURE_2D, GL_TEXTURE_WRAP_T, GL_CLAMP_TO_EDGE);
        return texture;
    }

    /** Whether colours between two pixels are mixed of both where they are asked for. */
    void mixes(boolean mixed) {
        glBindTexture(GL_TEXTURE_2D, colour);
        glTexParameteri(GL_TEXTURE_2D, GL_TEXTURE_MIN_FILTER, mixed ? GL_LINEAR : GL_NEAREST);
        glTexParameteri(GL_TEXTURE_2D, GL_TEXTURE_MAG_FILTER, mixed ? GL_LINEAR : GL_NEAREST);
    }

    void drawInto() {
        glBindFramebuffer(GL_FRAMEBUFFER, buffer);
        glViewport(0, 0, width, height);
    }

    void delete() {
        glDeleteFramebuffers(buffer);
        glDeleteTextures(colour);
        if (depth != 0) {
            glDeleteTextures(depth);
        }
    }
}
