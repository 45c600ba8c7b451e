package zealoustarget.server.platform.problems;

import jakarta.servlet.http.HttpServletRequest;
import java.net.URI;
import java.util.Map;
import java.util.Objects;
import org.apache.tomcat.util.http.InvalidParameterException;
import org.jspecify.annotations.Nullable;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.slf4j.MDC;
import org.springframework.http.HttpHeaders;
import org.springframework.http.HttpStatusCode;
import org.springframework.http.ProblemDetail;
import org.springframework.http.ResponseEntity;
import org.springframework.web.bind.MissingServletRequestParameterException;
import org.springframework.web.bind.annotation.ExceptionHandler;
import org.springframework.web.bind.annotation.RestControllerAdvice;
import org.springframework.web.context.request.WebRequest;
import org.springframework.web.method.annotation.MethodArgumentTypeMismatchException;
import org.springframework.web.multipart.MaxUploadSizeExceededException;
import org.springframework.web.multipart.support.MissingServletRequestPartException;
import org.springframework.web.servlet.mvc.method.annotation.ResponseEntityExceptionHandler;
import zealoustarget.core.Refusal;
import zealoustarget.server.platform.http.RequestIdFilter;
import zealoustarget.server.platform.storage.Space;

/** Turns every refusal and failure into problem details (RFC 9457) with a stable {@code code}. */
@RestControllerAdvice
class ProblemAdvice extends ResponseEntityExceptionHandler {
  private static final Logger LOG = LoggerFactory.getLogger(ProblemAdvice.class);

  @ExceptionHandler
  ResponseEntity<Object> refused(Refusal refusal) {
    Problem problem = Problem.findByCode(refusal.code()).orElse(Problem.INTERNAL);
    return answer(problem, refusal.getMessage(), refusal.details());
  }

  /** Anything unforeseen: an incident id for the log, nothing of the inside. */
  @ExceptionHandler
  ResponseEntity<Object> failed(Exception failure, HttpServletRequest request) {
    String incident = Objects.requireNonNullElse(MDC.get(RequestIdFilter.REQUEST), "unknown");
    LOG.error(
        "incident {} at {} {}", incident, request.getMethod(), request.getRequestURI(), failure);
    if (Space.isFull(failure)) {
      return answer(Problem.STORAGE_FULL, ProblemsWords.DATA_FOLDER_CANNOT_BE_WRITTEN, Map.of());
    }
    return answer(
        Problem.INTERNAL, ProblemsWords.isNotedInLog(incident), Map.of("incident", incident));
  }

  /** A form whose fields are no text. */
  @ExceptionHandler
  ResponseEntity<Object> undecodable(InvalidParameterException failure) {
    return answer(Problem.REQUEST_UNREADABLE, sentenceOf(failure), Map.of());
  }

  @Override
  protected ResponseEntity<Object> handleMaxUploadSizeExceededException(
      MaxUploadSizeExceededException tooLarge,
      HttpHeaders headers,
      HttpStatusCode status,
      WebRequest request) {
    return answer(Problem.FILE_TOO_LARGE, ProblemsWords.FILE_IS_LARGER_THAN_UPLOAD_LIMIT, Map.of());
  }

  @Override
  protected ResponseEntity<Object> handleExceptionInternal(
      Exception failure,
      @Nullable Object body,
      HttpHeaders headers,
      HttpStatusCode status,
      WebRequest request) {
    if (status.is5xxServerError()) {
      LOG.error("{}", request.getDescription(false), failure);
    }
    return answer(problemOf(failure, status), sentenceOf(failure), Map.of());
  }

  private static Problem problemOf(Exception failure, HttpStatusCode status) {
    if (failure instanceof MissingServletRequestParameterException
        || failure instanceof MissingServletRequestPartException) {
      return Problem.VALUE_MISSING;
    }
    return Problem.ofStatus(status.value());
  }

  private static String sentenceOf(Exception failure) {
    if (failure instanceof MissingServletRequestParameterException missing) {
      return ProblemsWords.isMissing(missing.getParameterName());
    }
    if (failure instanceof MissingServletRequestPartException missing) {
      return ProblemsWords.partIsMissing(missing.getRequestPartName());
    }
    if (failure instanceof MethodArgumentTypeMismatchException mismatch) {
      return ProblemsWords.isNot(mismatch.getValue(), mismatch.getName());
    }
    return ProblemsWords.SEE_DESCRIPTION_OF_ROUTES;
  }

  private static ResponseEntity<Object> answer(
      Problem problem, String sentence, Map<String, Object> details) {
    return ResponseEntity.status(problem.status()).body(detail(problem, sentence, details));
  }

  static ProblemDetail detail(
      Problem problem, @Nullable String sentence, Map<String, Object> details) {
    ProblemDetail detail = ProblemDetail.forStatusAndDetail(problem.status(), sentence);
    detail.setTitle(problem.title());
    detail.setType(URI.create("/problems#" + problem.code()));
    detail.setProperty("code", problem.code());
    details.forEach(detail::setProperty);
    return detail;
  }
}
