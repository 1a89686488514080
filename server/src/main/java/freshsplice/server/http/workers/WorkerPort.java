package freshsplice.server.http.workers;

import freshsplice.server.settings.Settings;
import org.apache.catalina.connector.Connector;
import org.springframework.boot.tomcat.servlet.TomcatServletWebServerFactory;
import org.springframework.boot.web.server.WebServerFactoryCustomizer;
import org.springframework.stereotype.Component;

/** The address and port that machines elsewhere reach this one at, where the settings name any. */
@Component
class WorkerPort implements WebServerFactoryCustomizer<TomcatServletWebServerFactory> {
    private final Settings settings;
    private Connector connector;

    WorkerPort(Settings settings) {
        this.settings = settings;
    }

    /** @throws IllegalArgumentException if the settings name none that could be */
    @Override
    public void customize(TomcatServletWebServerFactory factory) {
        String address = settings.workersAddress();
        if (!address.isEmpty()) {
            int colon = address.lastIndexOf(':');
            if (colon < 1 || !address.substring(colon + 1).matches("\\d{1,5}")) {
                throw new IllegalArgumentException("fresh-splice.workers-address is ADDRESS:PORT, such as 0.0.0.0:8041, and not " + address);
            }
            connector = new Connector();
            connector.setProperty("address", address.substring(0, colon));
            connector.setPort(Integer.parseInt(address.substring(colon + 1)));
            factory.addAdditionalConnectors(connector);
        }
    }

    /** −1 for none. */
    int number() {
        return connector == null ? -1 : connector.getLocalPort();
    }
}
