package org.grammatus.server.dataset;

import io.swagger.v3.oas.annotations.Operation;
import java.security.Principal;
import java.time.LocalDate;
import java.util.Optional;
import org.grammatus.core.dataset.FiscalCalendar;
import org.grammatus.core.definition.Dataset;
import org.grammatus.core.definition.Dataset.YearName;
import org.grammatus.core.problem.Problem;
import org.grammatus.core.problem.ProblemException;
import org.grammatus.server.BusinessDate;
import org.grammatus.server.account.Accounts;
import org.grammatus.server.problem.MayBeMissing;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PutMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.RestController;

/** The installation's fiscal calendar: authors read it, administrators set it. */
@RestController
@RequestMapping("/api/calendar")
class CalendarController {

    private static final int MONTHS = 12;

    private final InstallationCalendar calendar;
    private final Datasets datasets;
    private final Accounts accounts;
    private final BusinessDate businessDate;

    CalendarController(InstallationCalendar calendar, Datasets datasets, Accounts accounts, BusinessDate businessDate) {
        this.calendar = calendar;
        this.datasets = datasets;
        this.accounts = accounts;
        this.businessDate = businessDate;
    }

    /**
     * A fiscal calendar.
     *
     * @param fiscalYearStart month, 1 to 12, whose first day starts the fiscal year
     */
    record CalendarBody(int fiscalYearStart, @MayBeMissing YearName yearName) {

        private Dataset.Calendar calendar() {
            if (fiscalYearStart < 1 || fiscalYearStart > MONTHS) {
                throw new ProblemException(Problem.error(
                        "/fiscalYearStart", "found " + fiscalYearStart + ", expected a month from 1 to " + MONTHS));
            }
            return new Dataset.Calendar(fiscalYearStart, Optional.ofNullable(yearName));
        }
    }

    /**
     * A fiscal calendar as it is.
     *
     * @param thisYear what it calls the fiscal year of the business date
     * @param thisYearFrom that year's first day
     */
    record CalendarView(int fiscalYearStart, YearName yearName, String thisYear, LocalDate thisYearFrom) {}

    private CalendarView view(Dataset.Calendar of) {
        FiscalCalendar fiscal = FiscalCalendar.of(of);
        LocalDate start = fiscal.startOfYear(businessDate.now().businessDate());
        return new CalendarView(fiscal.startMonth(), fiscal.yearName(), fiscal.label(start), start);
    }

    @GetMapping
    @Operation(operationId = "calendar", summary = "The installation's fiscal calendar")
    CalendarView calendar() {
        return view(calendar.get());
    }

    @GetMapping("/sample")
    @Operation(operationId = "calendarSample", summary = "What a fiscal calendar would call the present year")
    CalendarView sample(@RequestParam("start") int fiscalYearStart, @RequestParam("name") YearName yearName) {
        return view(new CalendarBody(fiscalYearStart, yearName).calendar());
    }

    @PutMapping
    @Operation(
            operationId = "setCalendar",
            summary = "Sets the installation's fiscal calendar, for all datasets that have none of their own")
    CalendarView set(@RequestBody CalendarBody body, Principal principal) {
        datasets.over(body.calendar(), accounts.find(principal.getName()).orElseThrow());
        return view(calendar.get());
    }
}
