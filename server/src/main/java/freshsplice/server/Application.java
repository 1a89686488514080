package freshsplice.server;

import freshsplice.server.database.StartingDatabase;
import javax.sql.DataSource;
import org.springframework.boot.SpringApplication;
import org.springframework.boot.autoconfigure.SpringBootApplication;
import org.springframework.boot.context.properties.ConfigurationPropertiesScan;
import org.springframework.context.annotation.Bean;
import org.springframework.scheduling.annotation.EnableScheduling;

/** What the application is made of. The build works out, once, how its parts are put together; a start finds that done. */
@SpringBootApplication
@EnableScheduling
@ConfigurationPropertiesScan
class Application {
    @Bean
    DataSource dataSource(StartingDatabase database) {
        return database.connections();
    }

    /** Looked at by the build, which stops before anything is started. */
    public static void main(String[] args) {
        SpringApplication.run(Application.class, args);
    }
}
