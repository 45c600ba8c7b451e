package zealoustarget.server.platform.problems;

import java.util.Optional;
import java.util.stream.Stream;
import org.springframework.http.HttpStatus;
import org.springframework.http.HttpStatusCode;

/** Every code that a problem detail can carry; docs/problems.md lists them for users. */
public enum Problem {
  REQUEST_UNREADABLE(HttpStatus.BAD_REQUEST, "The request cannot be read"),
  VALUE_MISSING(HttpStatus.BAD_REQUEST, "A value is missing"),
  VALUE_UNKNOWN(HttpStatus.BAD_REQUEST, "A value is not one of those allowed"),
  MONTH_UNREADABLE(HttpStatus.BAD_REQUEST, "A month cannot be read"),
  DAY_UNREADABLE(HttpStatus.BAD_REQUEST, "A day cannot be read"),
  SOURCE_TOO_LONG(HttpStatus.BAD_REQUEST, "The name of a source is too long"),
  SNAPSHOT_UNKNOWN(HttpStatus.BAD_REQUEST, "There is no such snapshot"),
  MEASURE_WITHOUT_OUTLOOK(HttpStatus.BAD_REQUEST, "Deals say nothing of this measure"),
  OVERRIDE_INVALID(HttpStatus.BAD_REQUEST, "The override cannot be kept"),
  DEMO_NOT_OFFERED(HttpStatus.CONFLICT, "The demo company cannot be loaded here"),
  DEAL_NOT_OPEN(HttpStatus.CONFLICT, "The deal is not open"),
  DEAL_UNKNOWN(HttpStatus.NOT_FOUND, "There is no such deal"),
  AS_OF_MISSING(HttpStatus.UNPROCESSABLE_CONTENT, "The file does not say its day"),
  SPAN_BACKWARDS(HttpStatus.BAD_REQUEST, "The last month is before the first"),
  SPAN_TOO_LONG(HttpStatus.BAD_REQUEST, "Too many months"),
  FACTOR_UNREADABLE(HttpStatus.BAD_REQUEST, "The factor cannot be read"),
  TWO_BASES(HttpStatus.BAD_REQUEST, "Two goals are asked for at once"),
  MAPPING_UNREADABLE(HttpStatus.BAD_REQUEST, "The mapping cannot be read"),
  CONTROL_TOTAL_UNREADABLE(HttpStatus.BAD_REQUEST, "The control total cannot be read"),
  REASONS_INVALID(HttpStatus.BAD_REQUEST, "The list of reasons cannot be kept"),
  BRIEFING_UNKNOWN(HttpStatus.NOT_FOUND, "There is no such briefing"),
  REMARK_UNKNOWN(HttpStatus.NOT_FOUND, "There is no such remark"),
  BRIEFING_INVALID(HttpStatus.BAD_REQUEST, "The briefing cannot be saved"),
  BRIEFING_SIGNED(HttpStatus.CONFLICT, "The briefing is signed"),
  BRIEFING_MOVED(HttpStatus.CONFLICT, "Claims do not hold"),
  BRIEFING_NOT_HANDED(HttpStatus.CONFLICT, "The briefing was not handed over"),
  FOLLOW_UP_UNKNOWN(HttpStatus.NOT_FOUND, "There is no such follow-up"),
  CLOSE_LINE_UNKNOWN(HttpStatus.NOT_FOUND, "There is no such line"),
  CLOSE_LINE_DONE(HttpStatus.CONFLICT, "The line is done"),
  MONTH_NOT_CHECKED(HttpStatus.CONFLICT, "Lines of the close list are open"),
  NOTE_TOO_LONG(HttpStatus.BAD_REQUEST, "The note is too long"),
  VIEW_INVALID(HttpStatus.BAD_REQUEST, "The view cannot be saved"),
  PLAYBOOK_INVALID(HttpStatus.BAD_REQUEST, "The rules cannot be applied"),
  PASSWORD_WEAK(HttpStatus.BAD_REQUEST, "The password is too weak"),
  ACCOUNT_INVALID(HttpStatus.BAD_REQUEST, "The account cannot be kept"),
  TOKEN_INVALID(HttpStatus.BAD_REQUEST, "The token cannot be made"),
  SIGN_IN_NEEDED(HttpStatus.UNAUTHORIZED, "Sign in first"),
  SIGN_IN_FAILED(HttpStatus.UNAUTHORIZED, "Sign-in failed"),
  NOT_ALLOWED(HttpStatus.FORBIDDEN, "This account may not do that"),
  PASSWORD_TO_CHANGE(HttpStatus.FORBIDDEN, "The password has to be changed first"),
  CROSS_SITE(HttpStatus.FORBIDDEN, "Another site may not do this"),
  NOT_FOUND(HttpStatus.NOT_FOUND, "There is nothing here"),
  ACCOUNT_UNKNOWN(HttpStatus.NOT_FOUND, "There is no such account"),
  BACKUP_UNKNOWN(HttpStatus.NOT_FOUND, "There is no such backup"),
  BACKUP_FAILED(HttpStatus.INTERNAL_SERVER_ERROR, "No backup was made"),
  EXPORT_FAILED(HttpStatus.INTERNAL_SERVER_ERROR, "No export was made"),
  STORAGE_FULL(HttpStatus.INSUFFICIENT_STORAGE, "There is no space left"),
  TOKEN_UNKNOWN(HttpStatus.NOT_FOUND, "There is no such token"),
  LOAD_UNKNOWN(HttpStatus.NOT_FOUND, "There is no such load"),
  NAME_UNKNOWN(HttpStatus.NOT_FOUND, "There is no such name"),
  OWN_ROLE(HttpStatus.CONFLICT, "Nobody can change their own role"),
  ANOTHER_PERSON(HttpStatus.CONFLICT, "This takes another person"),
  GOAL_SET_UNKNOWN(HttpStatus.NOT_FOUND, "There is no such goal set"),
  MEMBER_UNKNOWN(HttpStatus.NOT_FOUND, "There is no such member"),
  GOAL_MEMBER_UNKNOWN(HttpStatus.CONFLICT, "A member of the goal sheet is not known") {
    @Override
    public String code() {
      return MEMBER_UNKNOWN.code();
    }
  },
  AXIS_DIFFERS(HttpStatus.CONFLICT, "The goal set is for another axis"),
  CELL_OUTSIDE_SHEET(HttpStatus.BAD_REQUEST, "A cell lies outside the goal sheet"),
  CHANGED_SINCE(HttpStatus.PRECONDITION_FAILED, "What it changes was changed since"),
  WEIGHTS_ALL_ZERO(HttpStatus.BAD_REQUEST, "Nothing to spread by"),
  WEIGHT_NEGATIVE(HttpStatus.BAD_REQUEST, "A weight is negative"),
  LOCKED_EXCEED_WHOLE(HttpStatus.BAD_REQUEST, "Locked cells exceed the amount"),
  NOTHING_TO_SPREAD_OVER(HttpStatus.BAD_REQUEST, "Every cell is locked"),
  OWN_PROPOSAL(HttpStatus.FORBIDDEN, "Another person has to decide about it"),
  PROPOSAL_UNKNOWN(HttpStatus.NOT_FOUND, "There is no such proposal"),
  PROPOSAL_DECIDED(HttpStatus.CONFLICT, "The proposal is decided already"),
  TAKES_TOO_MUCH(HttpStatus.BAD_REQUEST, "A goal would fall below 0"),
  DRAFTS_FULL(HttpStatus.CONFLICT, "There are as many drafts as there can be"),
  GOAL_SET_EXISTS(HttpStatus.CONFLICT, "A goal set has that name already"),
  GOAL_SET_IN_USE(HttpStatus.CONFLICT, "The goal set's name is in use"),
  DRAFT_EMPTY(HttpStatus.CONFLICT, "The draft has no changes"),
  METHOD_NOT_ALLOWED(HttpStatus.METHOD_NOT_ALLOWED, "This cannot be done here"),
  NOT_ACCEPTABLE(HttpStatus.NOT_ACCEPTABLE, "The answer has no such form"),
  SOURCE_UNKNOWN(HttpStatus.NOT_FOUND, "There is no such source"),
  PULL_FAILED(HttpStatus.BAD_GATEWAY, "The source could not be read"),
  PULL_TOO_LARGE(HttpStatus.BAD_GATEWAY, "The source sends too much"),
  SHEET_GONE(HttpStatus.NOT_FOUND, "The file is not kept"),
  ACCOUNT_EXISTS(HttpStatus.CONFLICT, "The account exists already"),
  LAST_ADMINISTRATOR(HttpStatus.CONFLICT, "No administrator would be left"),
  CHANGED_MEANWHILE(HttpStatus.PRECONDITION_FAILED, "It was changed meanwhile"),
  LOAD_BUSY(HttpStatus.CONFLICT, "The load is being worked on"),
  LOAD_NOT_STAGED(HttpStatus.CONFLICT, "The load is not staged"),
  LOAD_NOT_POSTED(HttpStatus.CONFLICT, "The load is not posted"),
  LOAD_IN_USE(HttpStatus.CONFLICT, "Other loads need this one"),
  LINES_HELD(HttpStatus.CONFLICT, "Lines are held back"),
  NOTHING_HELD(HttpStatus.CONFLICT, "No line is held back"),
  MEMBER_EXISTS(HttpStatus.CONFLICT, "The member exists already"),
  NOTHING_READY(HttpStatus.CONFLICT, "No line is ready"),
  CONTROL_TOTAL_DIFFERS(HttpStatus.CONFLICT, "The control total does not match"),
  MEMBERS_GONE(HttpStatus.CONFLICT, "Members of the load are no longer known"),
  LOAD_CANCELLED(HttpStatus.CONFLICT, "Reading was stopped"),
  LOAD_OVERDUE(HttpStatus.UNPROCESSABLE_CONTENT, "The file takes too long"),
  MEASURE_GONE(HttpStatus.CONFLICT, "The measure has changed since"),
  GOAL_SET_AXIS(HttpStatus.CONFLICT, "The goal set is for another axis"),
  MEASURE_IN_USE(HttpStatus.CONFLICT, "The measure has posted amounts"),
  MONTH_SEALED(HttpStatus.CONFLICT, "The month is closed"),
  MONTH_NOT_SEALED(HttpStatus.CONFLICT, "The month is not closed"),
  MONTH_NOT_READY(HttpStatus.CONFLICT, "The month cannot be closed yet"),
  MAIL_FAILED(HttpStatus.BAD_GATEWAY, "The mail server refused it"),
  REASON_IN_USE(HttpStatus.CONFLICT, "The reason is used by notes"),
  TOO_MANY_TRIES(HttpStatus.TOO_MANY_REQUESTS, "Too many tries"),
  BODY_TOO_LARGE(HttpStatus.CONTENT_TOO_LARGE, "The request is too large"),
  FILE_TOO_LARGE(HttpStatus.CONTENT_TOO_LARGE, "The file is too large"),
  UNSUPPORTED_MEDIA_TYPE(HttpStatus.UNSUPPORTED_MEDIA_TYPE, "The request has the wrong form"),
  FILE_EMPTY(HttpStatus.UNPROCESSABLE_CONTENT, "The file is empty"),
  FILE_NOT_TEXT(HttpStatus.UNPROCESSABLE_CONTENT, "The file is neither text nor a workbook"),
  FILE_ENCODING(HttpStatus.UNPROCESSABLE_CONTENT, "The file's encoding is not known"),
  FILE_BEYOND_LIMITS(HttpStatus.UNPROCESSABLE_CONTENT, "A part of the file is too large"),
  WORKBOOK_PROTECTED(HttpStatus.UNPROCESSABLE_CONTENT, "The workbook is old or protected"),
  WORKBOOK_UNREADABLE(HttpStatus.UNPROCESSABLE_CONTENT, "The workbook cannot be read"),
  WORKBOOK_TOO_LARGE(HttpStatus.UNPROCESSABLE_CONTENT, "The workbook is too large"),
  SHEET_UNKNOWN(HttpStatus.UNPROCESSABLE_CONTENT, "The workbook has no such sheet"),
  FILE_ONLY_HEADER(HttpStatus.UNPROCESSABLE_CONTENT, "The file has no lines"),
  FILE_UNREADABLE(HttpStatus.UNPROCESSABLE_CONTENT, "The file cannot be read as CSV"),
  COLUMN_MISSING(HttpStatus.UNPROCESSABLE_CONTENT, "A column is missing"),
  COLUMN_TWICE(HttpStatus.UNPROCESSABLE_CONTENT, "A column stands twice"),
  MONTH_COLUMN_MISSING(HttpStatus.UNPROCESSABLE_CONTENT, "No column has the month"),
  MONTH_TWICE(HttpStatus.UNPROCESSABLE_CONTENT, "A month stands twice"),
  MEASURE_MISSING(HttpStatus.UNPROCESSABLE_CONTENT, "The measure is missing"),
  MEASURE_FED_BY_DEALS(HttpStatus.UNPROCESSABLE_CONTENT, "The measure is fed by won deals"),
  GOAL_SET_MISSING(HttpStatus.UNPROCESSABLE_CONTENT, "The file does not name its goal set"),
  EXPORT_TOO_LARGE(HttpStatus.UNPROCESSABLE_CONTENT, "The export is too large"),
  SUM_TOO_LARGE(HttpStatus.UNPROCESSABLE_CONTENT, "The sum is too large"),
  RECORD_DAMAGED(HttpStatus.SERVICE_UNAVAILABLE, "The data are damaged"),
  RESTORE_UNCONFIRMED(HttpStatus.SERVICE_UNAVAILABLE, "Restored data wait for a second person"),
  NOTHING_RESTORED(HttpStatus.CONFLICT, "Nothing waits to be confirmed"),
  BODY_TOO_SLOW(HttpStatus.REQUEST_TIMEOUT, "The request took too long"),
  BUSY(HttpStatus.SERVICE_UNAVAILABLE, "The server is busy"),
  INTERNAL(HttpStatus.INTERNAL_SERVER_ERROR, "Something failed on our side"),
  STARTING(HttpStatus.SERVICE_UNAVAILABLE, "The server is starting");

  private final HttpStatus status;
  private final String title;

  Problem(HttpStatus status, String title) {
    this.status = status;
    this.title = title;
  }

  public HttpStatus status() {
    return status;
  }

  public String title() {
    return title;
  }

  /** The stable word on the wire: {@code load-unknown}. */
  public String code() {
    return key();
  }

  /** What a refusal names it by; differs from the code where two statuses share one. */
  private String key() {
    return name().toLowerCase(java.util.Locale.ROOT).replace('_', '-');
  }

  /** What an HTTP status stands for where nothing more is known. */
  static Problem ofStatus(int status) {
    return Stream.of(
            NOT_FOUND, METHOD_NOT_ALLOWED, NOT_ACCEPTABLE, UNSUPPORTED_MEDIA_TYPE, FILE_TOO_LARGE)
        .filter(problem -> problem.status.value() == status)
        .findFirst()
        .orElse(HttpStatusCode.valueOf(status).is4xxClientError() ? REQUEST_UNREADABLE : INTERNAL);
  }

  static Optional<Problem> findByCode(String code) {
    return Stream.of(values()).filter(problem -> problem.key().equals(code)).findFirst();
  }
}
