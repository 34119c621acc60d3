using Cumbre.Core.Explanations;
using Cumbre.Core.Measures;

namespace Cumbre.Core.Athletes;

/// <summary>One reading of the scale. The entry keeps the unit in which it was read.</summary>
public sealed record BodyMassReading
{
    /// <exception cref="RuleViolationException">The mass is outside 25 to 250 kg.</exception>
    public BodyMassReading(DateOnly day, MassEntry entry)
    {
        Day = day;
        Entry = Guard.InRange("bodyMass", entry, Limits.BodyMassMinimum, Limits.BodyMassMaximum);
    }

    public DateOnly Day { get; }

    public MassEntry Entry { get; }

    public Mass Mass => Entry.Mass;
}

/// <summary>An athlete's readings, and the body mass that counts on a day.</summary>
public sealed class BodyMassHistory
{
    /// <summary>Readings of this many days up to and including the day are averaged.</summary>
    public const int MeanDays = 7;

    /// <summary>A reading older than this many days is still used, with a caution (this project's choice).</summary>
    public const int OldAfterDays = 14;

    private readonly BodyMassReading[] readings;

    public BodyMassHistory(IEnumerable<BodyMassReading> readings) => this.readings = [.. readings.OrderBy(r => r.Day)];

    public IReadOnlyList<BodyMassReading> Readings => readings;

    /// <summary>
    /// The body mass of a day in kg: the mean of the readings of the last 7 days, else the latest reading on or before
    /// the day.
    /// Null when there is no reading on or before it.
    /// </summary>
    public Explained<Mass>? On(DateOnly day)
    {
        var known = readings.Where(r => r.Day <= day).ToArray();
        if (known.Length == 0)
            return null;

        var recent = known.Where(r => r.Day > day.AddDays(-MeanDays)).ToArray();
        var why = Explanation.For(RuleId.BodyMassOfDay).Source(SourceId.House);
        if (recent.Length > 0)
        {
            var mean = Mass.FromKilograms(recent.Average(r => r.Mass.Kilograms));
            return why.Input(InputKey.BodyMassReadings, Quantity.Count(recent.Length))
                .Input(InputKey.BodyMassMeasuredOn, Quantity.On(recent[^1].Day))
                .Step(StepKey.MeanOfReadings, Quantity.Of(mean), Quantity.Count(recent.Length))
                .Build(mean);
        }

        var latest = known[^1];
        var age = day.DayNumber - latest.Day.DayNumber;
        why.Input(InputKey.BodyMassReadings, Quantity.Count(1))
            .Input(InputKey.BodyMassMeasuredOn, Quantity.On(latest.Day));
        if (age > OldAfterDays)
            why.Caution(CautionId.BodyMassOld, Quantity.Days(age));
        return why.Build(latest.Mass);
    }
}
