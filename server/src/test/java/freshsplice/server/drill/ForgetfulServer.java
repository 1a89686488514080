package freshsplice.server.drill;

import com.github.benmanes.caffeine.cache.Cache;
import freshsplice.server.TestServer;
import java.lang.reflect.Field;
import java.util.ArrayList;
import java.util.Collections;
import java.util.IdentityHashMap;
import java.util.List;
import java.util.Set;
import org.springframework.aop.framework.AopProxyUtils;
import org.springframework.context.ApplicationContext;

/** Everything that the server keeps in memory to be asked again, thrown away: as after a start. */
final class ForgetfulServer {
    private final List<Cache<?, ?>> kept = new ArrayList<>();
    private final Set<Object> looked = Collections.newSetFromMap(new IdentityHashMap<>());

    ForgetfulServer() {
        ApplicationContext context = TestServer.parts();
        for (String name : context.getBeanDefinitionNames()) {
            look(context.getBean(name));
        }
        if (kept.isEmpty()) {
            throw new IllegalStateException("The server keeps nothing in memory that could be forgotten");
        }
    }

    private void look(Object bean) {
        Object target = AopProxyUtils.getSingletonTarget(bean);
        Object inside = target == null ? bean : target;
        if (inside instanceof Cache<?, ?> cache) {
            kept.add(cache);
        } else if (inside.getClass().getName().startsWith("freshsplice.server.") && !inside.getClass().isEnum() && looked.add(inside)) {
            for (Field field : inside.getClass().getDeclaredFields()) {
                look(inside, field);
            }
        }
    }

    private void look(Object of, Field field) {
        if (!field.getType().isPrimitive()) {
            try {
                field.setAccessible(true);
                Object value = field.get(of);
                if (value != null) {
                    look(value);
                }
            } catch (IllegalAccessException e) {
                throw new IllegalStateException("What the server keeps cannot be seen", e);
            }
        }
    }

    void forget() {
        kept.forEach(Cache::invalidateAll);
    }
}
