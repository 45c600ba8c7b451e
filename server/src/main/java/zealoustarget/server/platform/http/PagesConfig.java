package zealoustarget.server.platform.http;

import java.io.IOException;
import java.time.Duration;
import org.jspecify.annotations.Nullable;
import org.springframework.context.annotation.Configuration;
import org.springframework.core.io.Resource;
import org.springframework.http.CacheControl;
import org.springframework.web.servlet.config.annotation.ResourceHandlerRegistry;
import org.springframework.web.servlet.config.annotation.WebMvcConfigurer;
import org.springframework.web.servlet.resource.PathResourceResolver;

/** Serves the interface: its own addresses all lead to its one page. */
@Configuration
class PagesConfig implements WebMvcConfigurer {
  @Override
  public void addResourceHandlers(ResourceHandlerRegistry registry) {
    registry
        .addResourceHandler("/assets/**")
        .addResourceLocations("classpath:/static/assets/")
        .setCacheControl(CacheControl.maxAge(Duration.ofDays(365)).immutable());
    registry
        .addResourceHandler("/**")
        .addResourceLocations("classpath:/static/")
        .setCacheControl(CacheControl.noCache())
        .resourceChain(true)
        .addResolver(new OnePageResolver());
  }

  /** Finds the file, or the page for an address of the interface. */
  private static final class OnePageResolver extends PathResourceResolver {
    @Override
    protected @Nullable Resource getResource(String path, Resource location) throws IOException {
      Resource file = path.isEmpty() ? null : super.getResource(path, location);
      if (file != null) {
        return file;
      }
      boolean isOther = path.startsWith("api/") || path.startsWith("v3/") || path.contains(".");
      return isOther ? null : super.getResource("index.html", location);
    }
  }
}
