package zealoustarget.core.intake.header;

import java.util.EnumMap;
import java.util.HashMap;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Objects;
import java.util.Set;
import org.jspecify.annotations.Nullable;
import zealoustarget.core.Refusal;
import zealoustarget.core.amount.Measure;
import zealoustarget.core.intake.Directory;
import zealoustarget.core.intake.LoadKind;
import zealoustarget.core.intake.LoadSpec;
import zealoustarget.core.intake.values.DateText;
import zealoustarget.core.member.Axis;

/**
 * Guesses what the columns of a header are that does not use our names, by usual names and by what
 * the columns hold.
 */
public final class ColumnGuess {
  private static final Map<Header.Role, Set<String>> USUAL = new EnumMap<>(Header.Role.class);

  static {
    USUAL.put(
        Header.Role.DATE,
        Set.of(
            "booking dt",
            "booking date",
            "booked",
            "booked on",
            "order date",
            "invoice date",
            "posting date",
            "sale date",
            "day",
            "dt",
            "doc date",
            "document date",
            "datum",
            "belegdatum",
            "buchungsdatum",
            "rechnungsdatum",
            "auftragsdatum",
            "bestelldatum",
            "date de commande",
            "date de facture",
            "date facture",
            "jour",
            "fecha",
            "fecha de pedido",
            "fecha pedido",
            "fecha de factura",
            "transaction date",
            "ship date",
            "close date"));
    USUAL.put(
        Header.Role.MONTH,
        Set.of(
            "fiscal month",
            "booking month",
            "month name",
            "accounting month",
            "monat",
            "buchungsmonat",
            "mois",
            "mes"));
    USUAL.put(
        Header.Role.PERIOD,
        Set.of("fiscal period", "per", "accounting period", "periode", "période", "periodo"));
    USUAL.put(
        Header.Role.YEAR,
        Set.of(
            "fiscal year",
            "fy",
            "jahr",
            "geschäftsjahr",
            "gj",
            "année",
            "exercice",
            "año",
            "ejercicio"));
    USUAL.put(
        Header.Role.REP,
        Set.of(
            "acct mgr",
            "account manager",
            "account mgr",
            "sales rep",
            "salesrep",
            "seller",
            "salesperson",
            "sales person",
            "representative",
            "agent",
            "rep name",
            "rep id",
            "rep no",
            "rep code",
            "employee",
            "sold by",
            "owner",
            "vertreter",
            "verkäufer",
            "außendienst",
            "mitarbeiter",
            "mitarbeiter nr",
            "personalnummer",
            "vendeur",
            "commercial",
            "représentant",
            "vendedor",
            "comercial",
            "representante",
            "employee id",
            "employee no",
            "employee number",
            "staff id",
            "sales representative",
            "account executive",
            "consultant",
            "rep key"));
    USUAL.put(
        Header.Role.REGION,
        Set.of(
            "territory",
            "area",
            "district",
            "sales region",
            "region name",
            "sales area",
            "gebiet",
            "vertriebsgebiet",
            "verkaufsgebiet",
            "bezirk",
            "région",
            "secteur",
            "territoire",
            "región",
            "zona",
            "territorio",
            "sales territory",
            "market"));
    USUAL.put(
        Header.Role.PRODUCT,
        Set.of(
            "item",
            "article",
            "sku",
            "product name",
            "product code",
            "item no",
            "material",
            "product id",
            "item code",
            "artikel",
            "artikelnummer",
            "artikel nr",
            "produkt",
            "warennummer",
            "produit",
            "référence",
            "article no",
            "code article",
            "producto",
            "artículo",
            "referencia",
            "código",
            "part no",
            "part number"));
    USUAL.put(
        Header.Role.LINE,
        Set.of(
            "product line",
            "group",
            "product group",
            "category",
            "warengruppe",
            "produktgruppe",
            "sortiment",
            "gamme",
            "famille",
            "línea",
            "familia",
            "gama",
            "product family",
            "category name"));
    USUAL.put(
        Header.Role.MANAGER,
        Set.of(
            "team lead",
            "boss",
            "reports to",
            "supervisor",
            "team",
            "vorgesetzter",
            "teamleiter",
            "leiter",
            "responsable",
            "chef",
            "jefe",
            "gerente",
            "manager name",
            "team leader"));
    USUAL.put(
        Header.Role.ORDER,
        Set.of(
            "ref",
            "order no",
            "order number",
            "order id",
            "document",
            "doc no",
            "invoice",
            "invoice no",
            "reference",
            "order key",
            "ord no",
            "auftrag",
            "auftragsnummer",
            "auftrag nr",
            "beleg",
            "belegnummer",
            "beleg nr",
            "bestellung",
            "bestellnummer",
            "rechnung",
            "rechnungsnummer",
            "commande",
            "n° commande",
            "numéro de commande",
            "facture",
            "pedido",
            "número de pedido",
            "factura",
            "so number",
            "po number",
            "transaction id"));
    USUAL.put(
        Header.Role.NAME,
        Set.of(
            "full name",
            "description",
            "label",
            "title",
            "bezeichnung",
            "name des mitarbeiters",
            "vollständiger name",
            "nom",
            "libellé",
            "désignation",
            "nombre",
            "descripción",
            "employee name",
            "item description"));
    USUAL.put(
        Header.Role.FROM,
        Set.of(
            "start",
            "start month",
            "begins",
            "since",
            "valid from",
            "ab",
            "von",
            "beginn",
            "eintritt",
            "eintrittsdatum",
            "gültig ab",
            "début",
            "à partir de",
            "desde",
            "inicio",
            "start date",
            "hire date",
            "effective from",
            "joined"));
    USUAL.put(
        Header.Role.UNTIL,
        Set.of(
            "end",
            "end month",
            "ends",
            "valid until",
            "to",
            "bis",
            "ende",
            "austritt",
            "gültig bis",
            "fin",
            "jusqu à",
            "hasta",
            "end date",
            "leave date",
            "effective to",
            "left"));
    USUAL.put(
        Header.Role.MAIL,
        Set.of(
            "email",
            "e-mail",
            "mail address",
            "email address",
            "e-mail address",
            "e mail",
            "courriel",
            "correo",
            "correo electrónico",
            "mail"));
  }

  static {
    USUAL.put(
        Header.Role.DEAL,
        Set.of(
            "deal id",
            "deal no",
            "deal number",
            "deal key",
            "opportunity",
            "opportunity id",
            "opportunity no",
            "opportunity number",
            "quote no",
            "chance id",
            "verkaufschance",
            "geschäft",
            "affaire",
            "opportunité",
            "oportunidad",
            "negocio"));
    USUAL.put(
        Header.Role.LIKELIHOOD,
        Set.of(
            "probability",
            "prob",
            "win probability",
            "likelihood %",
            "chance",
            "chance to win",
            "confidence",
            "wahrscheinlichkeit",
            "probabilité",
            "probabilidad"));
    USUAL.put(
        Header.Role.CLOSES,
        Set.of(
            "close date",
            "closing date",
            "close month",
            "closing month",
            "closes on",
            "closes in",
            "expected",
            "expected close",
            "expected close date",
            "expected month",
            "abschluss",
            "abschlussdatum",
            "date de clôture",
            "clôture",
            "fecha de cierre",
            "cierre"));
    USUAL.put(
        Header.Role.STATE,
        Set.of("status", "deal state", "deal status", "zustand", "état", "statut", "estado"));
    USUAL.put(
        Header.Role.STAGE,
        Set.of("phase", "deal stage", "sales stage", "step", "stufe", "étape", "etapa"));
  }

  private static final Set<String> MONEY =
      Set.of(
          "net",
          "net amount",
          "amount",
          "net sales",
          "turnover",
          "value",
          "net value",
          "sales",
          "net revenue",
          "total",
          "sum",
          "invoiced",
          "booked amount",
          "net price",
          "umsatz",
          "nettoumsatz",
          "netto",
          "betrag",
          "nettobetrag",
          "erlös",
          "wert",
          "montant",
          "montant ht",
          "chiffre d affaires",
          "ca",
          "ca ht",
          "ventes",
          "importe",
          "importe neto",
          "ventas",
          "facturación",
          "neto",
          "amount net",
          "revenue amount",
          "gross amount",
          "extended price");
  private static final Set<String> PIECES =
      Set.of(
          "qty",
          "quantity",
          "pieces",
          "pcs",
          "count",
          "volume",
          "units sold",
          "qty sold",
          "menge",
          "stück",
          "stückzahl",
          "anzahl",
          "quantité",
          "qté",
          "cantidad",
          "unidades",
          "uds",
          "units sold qty",
          "number of units");

  private static final Set<String> ID_WORDS = Set.of("id", "no", "nr", "number", "code", "key");

  private final List<String> titles;
  private final List<ColumnProfile> profiles;
  private final LoadSpec spec;
  private final Directory directory;
  private final Map<Integer, String> found = new HashMap<>();

  private ColumnGuess(
      List<String> titles, List<ColumnProfile> profiles, LoadSpec spec, Directory directory) {
    this.titles = titles;
    this.profiles = profiles;
    this.spec = spec;
    this.directory = directory;
  }

  /**
   * Our names by their header for the columns that a header lacks, empty where it lacks none or
   * nothing fits.
   *
   * @param profiles one per title
   */
  public static Map<String, String> complete(
      List<String> titles, List<ColumnProfile> profiles, LoadSpec spec, Directory directory) {
    return isUnderstood(titles, spec)
        ? Map.of()
        : new ColumnGuess(titles, profiles, spec, directory).guess();
  }

  /** Whether the header has all that its kind needs, by the rules that there are. */
  public static boolean isUnderstood(List<String> titles, LoadSpec spec) {
    try {
      Header.of(1, titles, spec);
      return true;
    } catch (Refusal lacking) {
      return lacking.code().equals("measure-missing");
    }
  }

  /** All names of columns that a header may use, in lower case; helps to find it. */
  public static Set<String> knownTitles(List<Measure> measures) {
    Set<String> known = new HashSet<>(MONEY);
    known.addAll(PIECES);
    for (Header.Role role : Header.Role.values()) {
      known.add(role.word());
      known.addAll(USUAL.getOrDefault(role, Set.of()));
    }
    measures.forEach(measure -> known.add(Header.fold(measure.code())));
    return known;
  }

  /** Whether a title is our name or a usual one for a role. */
  static boolean isUsual(String title, Header.Role role) {
    String plain = plain(title);
    return plain.equals(role.word()) || USUAL.getOrDefault(role, Set.of()).contains(plain);
  }

  /** Whether a title is a usual one for money or pieces. */
  static boolean isUsualAmount(String title) {
    String bare = withoutUnit(plain(title));
    return MONEY.contains(bare) || PIECES.contains(bare);
  }

  private Map<String, String> guess() {
    Map<String, String> guessed = new LinkedHashMap<>();
    Set<String> taken = taken();
    for (int at = 0; at < titles.size(); at++) {
      offer(at, byName(at), taken);
    }
    for (int at = 0; at < titles.size(); at++) {
      offer(at, byContent(at), taken);
    }
    found.forEach((at, target) -> guessed.put(Header.nameOf(titles, at), target));
    return guessed;
  }

  private void offer(int at, @Nullable String target, Set<String> taken) {
    String group = target == null ? "" : group(target);
    if (target != null && !found.containsKey(at) && !isKnown(at) && taken.add(group)) {
      found.put(at, target);
    }
  }

  /** Date and month stand for one another: a file needs only one of them. */
  private static String group(String target) {
    return target.equals("month") ? "date" : target;
  }

  /** Our names that the header has already, by itself or by a rule. */
  private Set<String> taken() {
    Set<String> taken = new HashSet<>();
    for (int at = 0; at < titles.size(); at++) {
      if (isKnown(at)) {
        taken.add(group(ours(at)));
      }
    }
    return taken;
  }

  private boolean isKnown(int at) {
    String name = ours(at);
    String own = Header.fold(Header.nameOf(titles, at));
    return spec.columns().entrySet().stream()
            .anyMatch(
                rule -> rule.getValue().target() != null && Header.fold(rule.getKey()).equals(own))
        || roles().containsKey(name)
        || findMeasure(name) != null
        || DateText.monthHeader(name) != null;
  }

  private String ours(int at) {
    return spec.columns().entrySet().stream()
        .filter(rule -> Header.fold(rule.getKey()).equals(Header.fold(titles.get(at))))
        .map(rule -> Objects.requireNonNullElse(rule.getValue().target(), titles.get(at)))
        .findFirst()
        .map(Header::fold)
        .orElse(Header.fold(titles.get(at)));
  }

  private @Nullable String byName(int at) {
    if (isNameBesideId(at)) {
      return Header.Role.NAME.word();
    }
    for (Map.Entry<String, Header.Role> role : roles().entrySet()) {
      if (isUsual(titles.get(at), role.getValue())) {
        return role.getKey();
      }
    }
    if (!spec.hasAmounts() || !profile(at).mayHoldNumbers()) {
      return null;
    }
    String bare = withoutUnit(plain(titles.get(at)));
    if (MONEY.contains(bare) || bare.equals("revenue")) {
      return moneyMeasure();
    }
    return PIECES.contains(bare) ? pieceMeasure() : null;
  }

  /** In a roster with an ID column, the other column that calls the reps holds their names. */
  private boolean isNameBesideId(int at) {
    return spec.kind() == LoadKind.ROSTER
        && isUsual(titles.get(at), Header.Role.REP)
        && !isId(titles.get(at))
        && titles.stream().anyMatch(title -> isUsual(title, Header.Role.REP) && isId(title));
  }

  private static boolean isId(String title) {
    String plain = plain(title);
    return ID_WORDS.stream().anyMatch(word -> plain.equals(word) || plain.endsWith(" " + word))
        || plain.endsWith("nummer");
  }

  private @Nullable String byContent(int at) {
    ColumnProfile profile = profile(at);
    Map<String, Header.Role> roles = roles();
    if (roles.containsKey("date") && profile.holdsDates() && !profile.holdsNumbers()) {
      return "date";
    }
    String closes = Header.Role.CLOSES.word();
    if (roles.containsKey(closes) && profile.holdsDates() && !profile.holdsNumbers()) {
      return closes;
    }
    for (Axis axis : new Axis[] {Axis.REP, Axis.PRODUCT, Axis.REGION}) {
      if (roles.containsKey(axis.word())
          && spec.hasAmounts()
          && profile.holdsMembers(axis, directory)) {
        return axis.word();
      }
    }
    if (!spec.hasAmounts()) {
      return listColumn(profile);
    }
    boolean isOnlyMoney =
        spec.hasAmounts()
            && profile.holdsNumbers()
            && !profile.isWhole()
            && profiles.stream().filter(p -> p.holdsNumbers() && !p.isWhole()).count() == 1;
    return isOnlyMoney ? moneyMeasure() : null;
  }

  /** A roster's or product list's column: what begins, who is known, then keys and names. */
  private @Nullable String listColumn(ColumnProfile profile) {
    boolean isRoster = spec.kind() == LoadKind.ROSTER;
    if (isRoster && profile.holdsDates() && !profile.holdsNumbers()) {
      return Header.Role.FROM.word();
    }
    for (Axis axis : isRoster ? new Axis[] {Axis.REGION, Axis.MANAGER} : new Axis[] {Axis.LINE}) {
      if (profile.holdsMembers(axis, directory)) {
        return axis.word();
      }
    }
    if (!profile.holdsDistinctText() && !(profile.isWhole() && profile == profile(0))) {
      return null;
    }
    String key = isRoster ? Axis.REP.word() : Axis.PRODUCT.word();
    return isFound(key) ? Header.Role.NAME.word() : key;
  }

  private boolean isFound(String target) {
    return found.containsValue(target) || taken().contains(target);
  }

  /** The roles that this kind of file may have, by our name for them. */
  private Map<String, Header.Role> roles() {
    Map<String, Header.Role> roles = new LinkedHashMap<>();
    for (Header.Role role : Header.Role.values()) {
      if (HeaderReader.isAllowed(role, spec)) {
        roles.put(role.word(), role);
      }
    }
    return roles;
  }

  private @Nullable String moneyMeasure() {
    Measure given = spec.wideMeasure();
    if (given != null) {
      return given.code();
    }
    Measure revenue = findMeasure("revenue");
    return revenue != null
        ? revenue.code()
        : spec.measures().stream()
            .filter(Measure::isCurrency)
            .map(Measure::code)
            .findFirst()
            .orElse(null);
  }

  private @Nullable String pieceMeasure() {
    return spec.readable().stream()
        .filter(measure -> measure.unit().equals(Measure.COUNT))
        .map(Measure::code)
        .findFirst()
        .orElse(null);
  }

  private @Nullable Measure findMeasure(String name) {
    return spec.readable().stream()
        .filter(measure -> Header.fold(measure.code()).equals(name))
        .findFirst()
        .orElse(null);
  }

  private ColumnProfile profile(int at) {
    return at < profiles.size() ? profiles.get(at) : ColumnProfile.NONE;
  }

  /** A title without marks: "Order-No." becomes "order no". */
  private static String plain(String title) {
    return title.toLowerCase(Locale.ROOT).replaceAll("[^\\p{L}\\p{Nd}€$£]+", " ").strip();
  }

  /** "net eur" and "net €" say what "net" says. */
  private static String withoutUnit(String title) {
    return title
        .replaceAll("\\b(eur|usd|gbp|chf|keur|teur|in|of)\\b|[€$£]", " ")
        .replaceAll("\\s+", " ")
        .strip();
  }
}
