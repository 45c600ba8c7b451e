package zealoustarget.server.platform.http;

import jakarta.servlet.MultipartConfigElement;
import org.springframework.beans.factory.annotation.Value;
import org.springframework.boot.servlet.MultipartConfigFactory;
import org.springframework.context.annotation.Bean;
import org.springframework.context.annotation.Configuration;
import org.springframework.util.unit.DataSize;
import zealoustarget.server.platform.storage.TemporaryFiles;

/** How much an upload may hold: one file of the limit, and little beside it in all. */
@Configuration
class MultipartLimits {
  private static final DataSize BESIDE = DataSize.ofMegabytes(1);

  @Bean
  MultipartConfigElement multipartConfigElement(
      @Value("${zealous.upload-limit}") DataSize uploadLimit, TemporaryFiles files) {
    MultipartConfigFactory limits = new MultipartConfigFactory();
    limits.setLocation(files.folder().toString());
    limits.setMaxFileSize(uploadLimit);
    limits.setMaxRequestSize(DataSize.ofBytes(uploadLimit.toBytes() + BESIDE.toBytes()));
    limits.setFileSizeThreshold(BESIDE);
    return limits.createMultipartConfig();
  }
}
