package org.grammatus.server.dataset;

import io.swagger.v3.oas.annotations.Operation;
import java.security.Principal;
import java.time.LocalDate;
import java.time.format.DateTimeParseException;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.TreeSet;
import org.grammatus.core.dataset.FiscalCalendar;
import org.grammatus.core.definition.Dataset;
import org.grammatus.core.definition.Dataset.YearName;
import org.grammatus.core.problem.Problem;
import org.grammatus.core.problem.ProblemException;
import org.grammatus.core.problem.Problems;
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
    private static final int MOST_HOLIDAYS = 2_000;

    private final InstallationCalendar calendar;
    private final Datasets datasets;
    private final Accounts accounts;
    private final BusinessDate businessDate;
    private final Holidays holidays;

    CalendarController(
            InstallationCalendar calendar,
            Datasets datasets,
            Accounts accounts,
            BusinessDate businessDate,
            Holidays holidays) {
        this.holidays = holidays;
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

    /** Days on which nobody works, as they are written: {@code 2026-12-25}. */
    record HolidaysBody(List<String> days) {}

    @GetMapping("/holidays")
    @Operation(operationId = "holidays", summary = "The days on which nobody works, besides Saturdays and Sundays")
    HolidaysBody holidays() {
        return new HolidaysBody(
                holidays.days().stream().sorted().map(LocalDate::toString).toList());
    }

    @PutMapping("/holidays")
    @Operation(operationId = "setHolidays", summary = "Sets the days on which nobody works")
    HolidaysBody setHolidays(@RequestBody HolidaysBody body) {
        Problems problems = new Problems();
        if (body.days.size() > MOST_HOLIDAYS) {
            problems.error("/days", "found " + body.days.size() + " days, expected at most " + MOST_HOLIDAYS);
        }
        Set<LocalDate> days = new TreeSet<>();
        for (int i = 0; i < Math.min(body.days.size(), MOST_HOLIDAYS); i++) {
            String at = "/days/" + i;
            String day = body.days.get(i).trim();
            try {
                days.add(LocalDate.parse(day));
            } catch (DateTimeParseException e) {
                problems.error(at, "\"" + day + "\" is no day; write one as 2026-12-25");
            }
        }
        problems.throwIfErrors();
        holidays.set(days);
        return holidays();
    }
}
