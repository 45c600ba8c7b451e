package zealoustarget.server.standing.view;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.mockito.ArgumentMatchers.any;
import static org.mockito.ArgumentMatchers.eq;
import static org.mockito.Mockito.verify;
import static org.mockito.Mockito.verifyNoInteractions;
import static org.mockito.Mockito.when;
import static org.springframework.test.web.servlet.request.MockMvcRequestBuilders.get;

import java.util.List;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;
import org.mockito.ArgumentCaptor;
import org.mockito.Captor;
import org.mockito.Mock;
import org.mockito.junit.jupiter.MockitoExtension;
import org.springframework.test.web.servlet.MockMvc;
import org.springframework.test.web.servlet.setup.MockMvcBuilders;
import zealoustarget.core.Refusal;
import zealoustarget.server.standing.closeup.CloseUpService;
import zealoustarget.server.standing.closeup.PathAnswer;
import zealoustarget.server.standing.insights.InsightService;
import zealoustarget.server.standing.orders.OrderService;
import zealoustarget.server.standing.query.StandingParameters;

/** The controller alone: parameters in, answers out. */
@ExtendWith(MockitoExtension.class)
class StandingControllerTest {
  @Mock StandingService standings;
  @Mock CloseUpService closeUps;
  @Mock InsightService claims;
  @Mock OrderService orders;
  @Captor ArgumentCaptor<StandingParameters> parameters;
  private MockMvc http;

  @BeforeEach
  void build() {
    http =
        MockMvcBuilders.standaloneSetup(new StandingController(standings, closeUps, claims, orders))
            .build();
  }

  @Test
  void path_takesTheAxisFromTheAddress_andRepeatedFiltersAsLists() throws Exception {
    when(closeUps.path(eq("K1"), any(), any())).thenReturn(new PathAnswer("Ines", 2027, List.of()));
    var answer =
        http.perform(
                get(
                    "/api/v1/standing/rep/K1/path?axis=region&region=North&region=South&to=2026-10"))
            .andReturn()
            .getResponse();
    assertThat(answer.getStatus()).isEqualTo(200);
    assertThat(answer.getContentAsString()).contains("\"fiscalYear\":2027");
    verify(closeUps).path(eq("K1"), parameters.capture(), any());
    StandingParameters read = parameters.getValue();
    assertThat(read.axis()).isEqualTo("rep");
    assertThat(read.region()).containsExactly("North", "South");
    assertThat(read.measure()).isNull();
  }

  @Test
  void badPageOrYear_neverReachesTheService() {
    refused("/api/v1/standing/rep/K1/proof?page=-1");
    refused("/api/v1/standing/rep/K1/proof?size=501");
    refused("/api/v1/standing/rep/K1/orders?size=0");
    refused("/api/v1/standing/rep/K1/path?atOrAbove=much");
    refused("/api/v1/months?year=27");
    verifyNoInteractions(standings, closeUps, claims, orders);
  }

  private void refused(String path) {
    assertThatThrownBy(() -> http.perform(get(path)))
        .rootCause()
        .isInstanceOfSatisfying(
            Refusal.class, refusal -> assertThat(refusal.code()).isEqualTo("value-unknown"));
  }
}
