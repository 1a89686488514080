package freshsplice.server.http;

import java.util.List;
import org.springframework.context.annotation.Configuration;
import org.springframework.web.method.support.HandlerMethodArgumentResolver;
import org.springframework.web.servlet.config.annotation.InterceptorRegistry;
import org.springframework.web.servlet.config.annotation.WebMvcConfigurer;

/** What every request of the interface passes before its controller. */
@Configuration
class Requests implements WebMvcConfigurer {
    private final ProjectOfRequest projects;
    private final AskerResolver askers;

    Requests(ProjectOfRequest projects, AskerResolver askers) {
        this.projects = projects;
        this.askers = askers;
    }

    @Override
    public void addInterceptors(InterceptorRegistry registry) {
        registry.addInterceptor(projects).addPathPatterns("/api/**");
    }

    @Override
    public void addArgumentResolvers(List<HandlerMethodArgumentResolver> resolvers) {
        resolvers.add(askers);
    }
}
