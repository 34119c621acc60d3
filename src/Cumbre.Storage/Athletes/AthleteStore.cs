using Cumbre.Core.Athletes;
using Cumbre.Core.Levers;
using Cumbre.Core.Loading;
using Cumbre.Core.Measures;
using Cumbre.Core.Movements;
using Cumbre.Storage.Ended;
using Cumbre.Storage.Loading;

namespace Cumbre.Storage.Athletes;

/// <summary>What is written about an athlete by hand, kit included; one versioned row for the coach.</summary>
/// <param name="Id">Athlete.</param>
/// <param name="Name">As the club says it.</param>
/// <param name="BirthYear">Unknown when null.</param>
/// <param name="Sex">Neither, or not recorded, when null.</param>
/// <param name="StatureCm">Unknown when null.</param>
/// <param name="Lengths">Measured lengths.</param>
/// <param name="Unit">In which the athlete thinks.</param>
/// <param name="SchoolOverrides">Question to choice, where they differ from the club's.</param>
/// <param name="Cleared">A licensed professional has cleared what needed clearance.</param>
/// <param name="Kit">What can be hung.</param>
/// <param name="Version">0 before it is created.</param>
public sealed record AthleteProfile(
    Guid Id,
    string Name,
    int? BirthYear,
    Sex? Sex,
    decimal? StatureCm,
    MeasuredLengths Lengths,
    MassUnit Unit,
    IReadOnlyDictionary<string, string> SchoolOverrides,
    bool Cleared,
    Kit Kit,
    long Version
)
{
    /// <summary>The schools in force: the club's, with the athlete's own over them.</summary>
    public Schools Schools { get; init; } = Schools.Default;

    /// <summary>What was said when they came in.</summary>
    public Intake Intake { get; init; } = Intake.Empty;

    /// <summary>
    /// What can be hung where they train: in the hall the club's, where that is written down, else their own.
    /// </summary>
    public Kit KitInUse { get; init; } = Kit;

    /// <summary>When they were put away; null: they train.</summary>
    public DateTimeOffset? ArchivedAt { get; init; }

    public int? AgeIn(DateOnly day) => BirthYear is { } year ? day.Year - year : null;

    /// <summary>Clearances that are open on a day.</summary>
    public IReadOnlyList<ClearanceQuestion> OpenClearances(DateOnly day) => Clearance.Open(AgeIn(day), Cleared, Intake);
}

/// <summary>A reading of the scale with its id.</summary>
public sealed record StoredBodyMass(Guid Id, BodyMassReading Reading);

public static class AthleteStore
{
    private const string Columns =
        "id, name, birth_year, sex, stature_cm, arm_cm, trunk_cm, thigh_cm, shank_cm, unit, cleared, has_belt, vest_value, vest_unit, version, training_years, training_days, minutes, place, shoulders, guardian_consent, intake_finished, archived_at";

    public static AthleteProfile? Find(Db db, Guid id) =>
        db.One<AthleteRow>($"SELECT {Columns} FROM athlete WHERE id = @id", new { id }) is { } row
            ? row.ToProfile(
                db.Query<PlateRow>(
                    "SELECT athlete_id, size_value, size_unit, count, sort FROM kit_piece WHERE athlete_id = @id",
                    new { id }
                ),
                SchoolStore.OfClub(db),
                SchoolStore.Of(db, id),
                IntakeStore.Of(db, id),
                KitStore.OfHall(db)
            )
            : null;

    /// <summary>Those who train, by name.</summary>
    public static IReadOnlyList<AthleteProfile> All(Db db) => [.. Everyone(db).Where(a => a.ArchivedAt is null)];

    /// <summary>The archived ones too.</summary>
    public static IReadOnlyList<AthleteProfile> Everyone(Db db)
    {
        var intakes = IntakeStore.All(db);
        var hall = KitStore.OfHall(db);
        var plates = db.Query<PlateRow>("SELECT athlete_id, size_value, size_unit, count, sort FROM kit_piece")
            .ToLookup(p => p.AthleteId);
        var club = SchoolStore.OfClub(db);
        var schools = SchoolStore.All(db);
        return
        [
            .. db.Query<AthleteRow>($"SELECT {Columns} FROM athlete ORDER BY name")
                .Select(row =>
                    row.ToProfile(plates[row.Id], club, schools[row.Id].ToDictionary(), intakes(row.Id), hall)
                ),
        ];
    }

    /// <summary>
    /// Creates the athlete, or changes them when <see cref="AthleteProfile.Version"/> is the stored one. The same
    /// creation twice is done once.
    /// </summary>
    public static Written Put(Db db, AthleteProfile athlete, DateTimeOffset at)
    {
        var args = new
        {
            athlete.Id,
            athlete.Name,
            BirthYear = (long?)athlete.BirthYear,
            Unit = athlete.Unit.ToString(),
            Sex = athlete.Sex?.ToString(),
            athlete.StatureCm,
            Arm = Centimetres(athlete.Lengths.Arm),
            Trunk = Centimetres(athlete.Lengths.Trunk),
            Thigh = Centimetres(athlete.Lengths.Thigh),
            Shank = Centimetres(athlete.Lengths.Shank),
            athlete.Cleared,
            athlete.Kit.HasBelt,
            VestValue = athlete.Kit.Vest?.Value,
            VestUnit = athlete.Kit.Vest?.Unit.ToString(),
            athlete.Version,
            at,
            athlete.Intake.TrainingYears,
            TrainingDays = string.Join(
                ',',
                athlete.Intake.Days.Select(d => d == DayOfWeek.Sunday ? 7 : (int)d).Order()
            ),
            Minutes = (long?)athlete.Intake.Minutes,
            Place = athlete.Intake.Place.ToString(),
            Shoulders = athlete.Intake.Shoulders?.ToString(),
            athlete.Intake.GuardianConsent,
            IntakeFinished = athlete.Intake.Finished,
        };
        if (athlete.Version == 0)
            EndStore.Lift(db, EndKind.Person, athlete.Id);
        var changed =
            athlete.Version == 0
                ? db.Run(
                    """
                    INSERT INTO athlete (id, name, birth_year, sex, stature_cm, arm_cm, trunk_cm, thigh_cm, shank_cm, unit, cleared, has_belt, vest_value, vest_unit,
                      training_years, training_days, minutes, place, shoulders, guardian_consent, intake_finished, created_at, version)
                    VALUES (@Id, @Name, @BirthYear, @Sex, @StatureCm, @Arm, @Trunk, @Thigh, @Shank, @Unit, @Cleared, @HasBelt, @VestValue, @VestUnit,
                      @TrainingYears, @TrainingDays, @Minutes, @Place, @Shoulders, @GuardianConsent, @IntakeFinished, @at, 1)
                    ON CONFLICT (id) DO NOTHING
                    """,
                    args
                )
                : db.Run(
                    """
                    UPDATE athlete SET name = @Name, birth_year = @BirthYear, sex = @Sex, stature_cm = @StatureCm, arm_cm = @Arm, trunk_cm = @Trunk,
                      thigh_cm = @Thigh, shank_cm = @Shank, unit = @Unit, cleared = @Cleared, has_belt = @HasBelt, vest_value = @VestValue, vest_unit = @VestUnit,
                      training_years = @TrainingYears, training_days = @TrainingDays, minutes = @Minutes, place = @Place, shoulders = @Shoulders,
                      guardian_consent = @GuardianConsent, intake_finished = @IntakeFinished, version = version + 1
                    WHERE id = @Id AND version = @Version
                    """,
                    args
                );
        if (changed == 0)
            return Find(db, athlete.Id) is null ? Written.Missing : Written.Stale;

        SchoolStore.Put(db, athlete.Id, athlete.SchoolOverrides);
        IntakeStore.Put(db, athlete.Id, athlete.Intake);
        db.Run("DELETE FROM kit_piece WHERE athlete_id = @Id", new { athlete.Id });
        db.Run(
            "INSERT INTO kit_piece (athlete_id, size_value, size_unit, count, sort) VALUES (@AthleteId, @SizeValue, @SizeUnit, @Count, @Sort)",
            athlete.Kit.Pieces.Select(p => new
            {
                AthleteId = athlete.Id,
                SizeValue = p.Size.Value,
                SizeUnit = p.Size.Unit.ToString(),
                p.Count,
                Sort = p.Sort.ToString(),
            })
        );
        return Written.Done;
    }

    /// <summary>Puts an athlete away, or takes them back; false when there is none.</summary>
    public static bool Archive(Db db, Guid id, DateTimeOffset? at) =>
        db.Run("UPDATE athlete SET archived_at = @at, version = version + 1 WHERE id = @id", new { id, at }) > 0;

    public static IReadOnlyList<StoredBodyMass> BodyMasses(Db db, Guid athleteId) =>
        [
            .. db.Query<BodyMassRow>(
                    "SELECT id, athlete_id, day, value, unit FROM body_mass WHERE athlete_id = @athleteId ORDER BY day, id",
                    new { athleteId }
                )
                .Select(r => r.ToStored()),
        ];

    public static ILookup<Guid, StoredBodyMass> AllBodyMasses(Db db) =>
        db.Query<BodyMassRow>("SELECT id, athlete_id, day, value, unit FROM body_mass ORDER BY day, id")
            .ToLookup(r => r.AthleteId, r => r.ToStored());

    /// <summary>Adds a reading; sending the same one again changes nothing.</summary>
    public static void AddBodyMass(Db db, Guid athleteId, StoredBodyMass mass, Stamp stamp) =>
        db.Run(
            """
            INSERT INTO body_mass (id, athlete_id, day, value, unit, written_at, written_by)
            VALUES (@Id, @athleteId, @Day, @Value, @Unit, @At, @By) ON CONFLICT (id) DO NOTHING
            """,
            new
            {
                mass.Id,
                athleteId,
                mass.Reading.Day,
                mass.Reading.Entry.Value,
                Unit = mass.Reading.Entry.Unit.ToString(),
                stamp.At,
                stamp.By,
            }
        );

    /// <summary>Takes a reading back; false when there is none of this athlete.</summary>
    public static bool RemoveBodyMass(Db db, Guid athleteId, Guid id) =>
        db.Run("DELETE FROM body_mass WHERE id = @id AND athlete_id = @athleteId", new { id, athleteId }) > 0;

    private static decimal? Centimetres(double? metres) => metres is { } m ? Math.Round((decimal)m * 100, 2) : null;

    private static double? Metres(decimal? centimetres) => centimetres is { } cm ? (double)cm / 100 : null;

    private sealed record AthleteRow(
        Guid Id,
        string Name,
        long? BirthYear,
        string? Sex,
        decimal? StatureCm,
        decimal? ArmCm,
        decimal? TrunkCm,
        decimal? ThighCm,
        decimal? ShankCm,
        string Unit,
        long Cleared,
        long HasBelt,
        decimal? VestValue,
        string? VestUnit,
        long Version,
        decimal? TrainingYears,
        string TrainingDays,
        long? Minutes,
        string Place,
        string? Shoulders,
        long GuardianConsent,
        long IntakeFinished,
        DateTimeOffset? ArchivedAt
    )
    {
        public AthleteProfile ToProfile(
            IEnumerable<PlateRow> plates,
            IReadOnlyDictionary<string, string> club,
            IReadOnlyDictionary<string, string> own,
            Intake lists,
            Kit? hall
        )
        {
            var profile = Written(plates, club, own, lists);
            return hall is not null && profile.Intake.Place == TrainingPlace.Hall
                ? profile with
                {
                    KitInUse = hall,
                }
                : profile;
        }

        private AthleteProfile Written(
            IEnumerable<PlateRow> plates,
            IReadOnlyDictionary<string, string> club,
            IReadOnlyDictionary<string, string> own,
            Intake lists
        ) =>
            new(
                Id,
                Name,
                (int?)BirthYear,
                Sex is null ? null : Enum.Parse<Sex>(Sex),
                StatureCm,
                new(Metres(ArmCm), Metres(TrunkCm), Metres(ThighCm), Metres(ShankCm)),
                Enum.Parse<MassUnit>(Unit),
                own,
                Cleared == 1,
                new Kit(
                    plates.Select(p => new PieceStock(
                        new(p.SizeValue, Enum.Parse<MassUnit>(p.SizeUnit)),
                        (int)p.Count,
                        Enum.Parse<PieceSort>(p.Sort)
                    )),
                    HasBelt == 1,
                    VestValue is { } vest ? new MassEntry(vest, Enum.Parse<MassUnit>(VestUnit!)) : null
                ),
                Version
            )
            {
                Schools = new(Catalogue.Shipped, club, own),
                ArchivedAt = ArchivedAt,
                Intake = lists with
                {
                    TrainingYears = TrainingYears,
                    Days =
                    [
                        .. TrainingDays
                            .Split(',', StringSplitOptions.RemoveEmptyEntries)
                            .Select(d =>
                                (DayOfWeek)(int.Parse(d, System.Globalization.CultureInfo.InvariantCulture) % 7)
                            ),
                    ],
                    Minutes = (int?)Minutes,
                    Place = Enum.Parse<TrainingPlace>(Place),
                    Shoulders = Shoulders is null ? null : Enum.Parse<ShoulderRange>(Shoulders),
                    GuardianConsent = GuardianConsent == 1,
                    Finished = IntakeFinished == 1,
                },
            };
    }

    private sealed record PlateRow(Guid AthleteId, decimal SizeValue, string SizeUnit, long Count, string Sort);

    private sealed record BodyMassRow(Guid Id, Guid AthleteId, DateOnly Day, decimal Value, string Unit)
    {
        public StoredBodyMass ToStored() => new(Id, new(Day, new(Value, Enum.Parse<MassUnit>(Unit))));
    }
}
