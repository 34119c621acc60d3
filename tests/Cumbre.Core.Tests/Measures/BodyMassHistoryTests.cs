using Cumbre.Core.Athletes;
using Cumbre.Core.Explanations;
using Cumbre.Core.Measures;

namespace Cumbre.Core.Tests.Measures;

public class BodyMassHistoryTests
{
    private static readonly DateOnly Day = new(2026, 3, 16);

    private static BodyMassHistory History(params (int DaysAgo, decimal Kilograms)[] readings) =>
        new(readings.Select(r => new BodyMassReading(Day.AddDays(-r.DaysAgo), MassEntry.Kg(r.Kilograms))));

    [Fact]
    public void The_last_seven_days_are_averaged() =>
        Assert.Equal(70m, History((0, 69), (6, 71), (7, 90)).On(Day)!.Value.Kilograms);

    [Fact]
    public void Without_a_recent_reading_the_latest_one_counts() =>
        Assert.Equal(90m, History((7, 90), (30, 80)).On(Day)!.Value.Kilograms);

    [Fact]
    public void A_reading_over_two_weeks_old_is_used_with_a_caution()
    {
        Assert.Contains(History((15, 90)).On(Day)!.Why.Cautions, c =>
            c.Id == CautionId.BodyMassOld && c.Args[0].Number == 15
        );
        Assert.Empty(History((14, 90)).On(Day)!.Why.Cautions);
    }

    [Fact]
    public void A_later_reading_does_not_count_for_an_earlier_day() => Assert.Null(History((-1, 70)).On(Day));
}
