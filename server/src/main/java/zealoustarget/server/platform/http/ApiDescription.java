package zealoustarget.server.platform.http;

import io.swagger.v3.oas.annotations.OpenAPIDefinition;
import io.swagger.v3.oas.annotations.enums.SecuritySchemeType;
import io.swagger.v3.oas.annotations.info.Info;
import io.swagger.v3.oas.annotations.security.SecurityRequirement;
import io.swagger.v3.oas.annotations.security.SecurityScheme;
import org.springframework.context.annotation.Configuration;

/** What the description of the routes says of itself, and how programs sign in. */
@Configuration
@OpenAPIDefinition(
    info =
        @Info(
            title = "Zealous Target",
            version = "1",
            description =
                "Amounts and ratios are decimal texts, months are texts such as 2026-10, what is"
                    + " missing is null. Errors are problem details (RFC 9457) with a stable code."),
    security = {@SecurityRequirement(name = "basic"), @SecurityRequirement(name = "token")})
@SecurityScheme(
    name = "basic",
    type = SecuritySchemeType.HTTP,
    scheme = "basic",
    description = "Name and password of an account.")
@SecurityScheme(
    name = "token",
    type = SecuritySchemeType.HTTP,
    scheme = "bearer",
    description = "A personal token, to read or to load.")
class ApiDescription {}
