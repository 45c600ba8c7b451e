package zealoustarget.server.access.authorization;

import jakarta.servlet.DispatcherType;
import java.time.Clock;
import java.time.Duration;
import org.springframework.boot.autoconfigure.condition.ConditionalOnWebApplication;
import org.springframework.context.annotation.Bean;
import org.springframework.context.annotation.Configuration;
import org.springframework.http.HttpMethod;
import org.springframework.security.config.Customizer;
import org.springframework.security.config.annotation.web.builders.HttpSecurity;
import org.springframework.security.config.annotation.web.configuration.EnableWebSecurity;
import org.springframework.security.web.SecurityFilterChain;
import org.springframework.security.web.access.intercept.AuthorizationFilter;
import org.springframework.security.web.authentication.www.BasicAuthenticationFilter;
import org.springframework.security.web.context.SecurityContextRepository;
import org.springframework.security.web.header.writers.ReferrerPolicyHeaderWriter.ReferrerPolicy;
import org.springframework.security.web.util.matcher.RequestMatcher;
import zealoustarget.server.access.accounts.AccountSettings;
import zealoustarget.server.access.accounts.AccountStore;
import zealoustarget.server.access.signin.BasicSignIn;
import zealoustarget.server.access.signin.ConsoleKey;
import zealoustarget.server.access.signin.KnownAccounts;
import zealoustarget.server.access.signin.SignIn;
import zealoustarget.server.access.tokens.TokenStore;
import zealoustarget.server.platform.problems.ProblemWriter;

/** Who gets in, and by what; {@link RouteRules} says where to. */
@Configuration
@ConditionalOnWebApplication
@EnableWebSecurity
class SecurityConfig {
  private static final String CONTENT =
      "default-src 'none'; script-src 'self'; style-src 'self'; img-src 'self' data:;"
          + " font-src 'self'; connect-src 'self'; form-action 'self'; base-uri 'none';"
          + " frame-ancestors 'none'";

  @Bean
  SecurityFilterChain chain(
      HttpSecurity http,
      SecurityContextRepository contexts,
      GateKeeper gate,
      SignIn signIn,
      TokenStore tokens,
      ConsoleKey console,
      AccountStore accounts,
      AccountSettings settings,
      Clock clock,
      ProblemWriter problems) {
    RequestMatcher changesByCookie =
        request ->
            !HttpMethod.GET.matches(request.getMethod())
                && !HttpMethod.HEAD.matches(request.getMethod())
                && !HttpMethod.OPTIONS.matches(request.getMethod())
                && request.getHeader("Authorization") == null;
    return http.securityContext(context -> context.securityContextRepository(contexts))
        .csrf(csrf -> csrf.spa().requireCsrfProtectionMatcher(changesByCookie))
        .requestCache(cache -> cache.disable())
        .formLogin(form -> form.disable())
        .logout(logout -> logout.disable())
        .anonymous(Customizer.withDefaults())
        .addFilterAt(
            new BasicSignIn(signIn, tokens, console, problems), BasicAuthenticationFilter.class)
        .addFilterBefore(
            new KnownAccounts(accounts, settings.sessionLimit(), clock), AuthorizationFilter.class)
        .authorizeHttpRequests(
            requests ->
                requests
                    .dispatcherTypeMatchers(DispatcherType.ASYNC, DispatcherType.ERROR)
                    .permitAll() // the request itself was let through
                    .anyRequest()
                    .access(gate))
        .exceptionHandling(
            failures -> failures.authenticationEntryPoint(gate).accessDeniedHandler(gate))
        .headers(
            headers ->
                headers
                    .contentSecurityPolicy(policy -> policy.policyDirectives(CONTENT))
                    .referrerPolicy(policy -> policy.policy(ReferrerPolicy.SAME_ORIGIN))
                    .permissionsPolicyHeader(
                        policy -> policy.policy("camera=(), microphone=(), geolocation=()"))
                    .httpStrictTransportSecurity(
                        hsts -> hsts.maxAgeInSeconds(Duration.ofDays(365).toSeconds()))
                    .cacheControl(cache -> cache.disable()))
        .build();
  }
}
