package freshsplice.server.http;

import freshsplice.server.steps.Asker;
import java.net.URLDecoder;
import java.nio.charset.StandardCharsets;
import org.springframework.core.MethodParameter;
import org.springframework.stereotype.Component;
import org.springframework.web.bind.support.WebDataBinderFactory;
import org.springframework.web.context.request.NativeWebRequest;
import org.springframework.web.method.support.HandlerMethodArgumentResolver;
import org.springframework.web.method.support.ModelAndViewContainer;

/** Who asks, and what they had seen, as their window says it in the headers of a request. */
@Component
class AskerResolver implements HandlerMethodArgumentResolver {
    private static final String NAME = "X-Who";
    private static final String SEEN = "X-Seen";
    private static final String CONFIRMED = "X-Confirmed";
    private static final int LONGEST = 100;
    private static final String NOBODY_SAYS = "somebody";

    @Override
    public boolean supportsParameter(MethodParameter parameter) {
        return parameter.getParameterType() == Asker.class;
    }

    @Override
    public Asker resolveArgument(MethodParameter parameter, ModelAndViewContainer container, NativeWebRequest request,
                                 WebDataBinderFactory binders) {
        return new Asker(name(request.getHeader(NAME)), seen(request.getHeader(SEEN)), "1".equals(request.getHeader(CONFIRMED)));
    }

    private static String name(String header) {
        if (header == null || header.isBlank()) {
            return NOBODY_SAYS;
        }
        try {
            String plain = URLDecoder.decode(header, StandardCharsets.UTF_8).replaceAll("\\p{Cntrl}", " ").strip();
            return plain.isEmpty() ? NOBODY_SAYS : plain.substring(0, Math.min(LONGEST, plain.length()));
        } catch (IllegalArgumentException e) {
            return NOBODY_SAYS;
        }
    }

    /** It only makes a refusal say more: what is no number is as if nobody had said it. */
    private static Long seen(String header) {
        return header != null && header.matches("\\d{1,18}") ? Long.valueOf(header) : null;
    }
}
