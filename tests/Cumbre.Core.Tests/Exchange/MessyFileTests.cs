using System.Globalization;
using System.Text;
using Cumbre.Core.Exchange;
using Cumbre.Core.Ladders;
using Cumbre.Core.Measures;
using Cumbre.Core.Movements;
using Cumbre.Core.Notation;
using Cumbre.Sheets;
using static Cumbre.Tests.TableFiles;

namespace Cumbre.Core.Tests.Exchange;

/// <summary>
/// Tables as coaches keep them go in as they are, and say what they said. The files are of this project's making, after
/// what is usual (common practice, no source).
/// </summary>
public sealed class MessyFileTests : IDisposable
{
    private static readonly DateOnly Today = new(2026, 3, 16);

    private static readonly KnownAthlete[] Athletes =
    [
        new(new Guid("00000000-0000-0000-0000-00000000000a"), "Ada Lind", 1999),
        new(new Guid("00000000-0000-0000-0000-00000000000b"), "Kasimir Lund", 1995),
        new(new Guid("00000000-0000-0000-0000-00000000000c"), "Noor Bakkali", 2001),
        new(new Guid("00000000-0000-0000-0000-00000000000d"), "Tove Halloran", 1988),
    ];

    private readonly string path = Path.GetTempFileName();

    public void Dispose() => File.Delete(path);

    /// <summary>Says everything that a table says, a line each.</summary>
    private sealed class Printer : IImportSink
    {
        public List<string> Lines { get; } = [];

        public void Read(NameRead name)
        {
            if (name.Match != NameMatch.Exact)
                Lines.Add($"{name.Written} is {name.Found ?? "nobody"}");
        }

        public void Athlete(Who who, FoundAthlete a) =>
            Lines.Add($"{who.Name}{(who.Id is null ? "*" : "")} {a.BirthYear} {a.Sex} {a.StatureCm:0.#}".TrimEnd());

        public void BodyMass(Who who, DateOnly day, MassEntry mass) => Lines.Add($"{who.Name} {Of(day)} weighs {mass}");

        public void Test(Who who, FoundTest test) =>
            Lines.Add(
                $"{who.Name} {Of(test.Day)} {test.Benchmark.Slug}{(test.Side is { } s ? $" {s}" : "")}: {ResultPrinter.Print(test.Result.Score, test.Result.Added)}"
            );

        public void Item(Who who, FoundItem item) =>
            Lines.Add(
                $"{who.Name} {Of(item.Day)}{(item.Session.Length > 0 ? $" [{item.Session}]" : "")} {item.Movement.Slug}: {NotationPrinter.Print(item.Done.Plan)}"
                    + string.Concat(item.Done.Sets.Where(s => s.Pain > 0).Select(s => $" pain {s.Pain} {s.PainPlace}"))
                    + string.Concat(item.Done.Sets.Where(s => s.Reserve > 0).Select(s => $" r{s.Reserve}"))
            );

        public void Line(OutlineLine line) =>
            Lines.Add(
                $"week {line.Week}{(line.Weekday is { } d ? $" {d}" : "")} [{line.Session}] {line.Movement.Slug}: {line.Line.Text}"
            );

        public void Fault(ImportFault fault) =>
            Lines.Add($"FAULT {fault.Sheet} row {fault.Row} column {fault.Column}: {fault.Id} \"{fault.Written}\"");

        private static string Of(DateOnly day) => day.ToString("yyyy-MM-dd", CultureInfo.InvariantCulture);
    }

    private IReadOnlyList<Sheet> Open(byte[] file, string name)
    {
        File.WriteAllBytes(path, file);
        return SheetFile.Open(path, name);
    }

    /// <summary>What the file says by the mapping that is guessed.</summary>
    private string[] Said(byte[] file, string name = "table.csv", Func<ImportMapping, ImportMapping>? change = null)
    {
        var sheets = Open(file, name);
        var terms = new ImportTerms(Catalogue.Shipped, Athletes);
        var heads = sheets.Select(s => new SheetHead(s.Name, s.IsHidden, [.. s.Rows.Take(MappingGuess.RowsLooked)]));
        var mapping = new MappingGuess(terms, Today).Of([.. heads], MassUnit.Kg);
        var printer = new Printer();
        new TableReader(change?.Invoke(mapping) ?? mapping, terms, Today, printer).Read(sheets);
        return [.. printer.Lines];
    }

    private static byte[] Utf8(string text) => Encoding.UTF8.GetBytes(text);

    private static string[] Lines(string text) =>
        text.Split('\n', StringSplitOptions.RemoveEmptyEntries | StringSplitOptions.TrimEntries);

    [Fact]
    public void A_log_with_semicolons_and_decimal_commas() =>
        Assert.Equal(
            Lines(
                """
                Ada Lind 2026-01-12 weighted-pull-up: sets 5, 5, 4 @ +12.5 kg
                Ada Lind 2026-01-12 weighted-dip: 3 x 6 @ +20 kg
                Kasimir Lund 2026-01-13 front-lever-tuck: hold 10, 9, 8 s
                """
            ),
            Said(
                Utf8(
                    """
                    Name;Datum;Exercise;Load;Reps
                    Ada Lind;12.01.2026;Pull-ups;12,5;5/5/4
                    ;;Dips;20;6/6/6
                    Kasimir Lund;13.01.2026;Tuck Front Lever;;10/9/8
                    """
                )
            )
        );

    [Fact]
    public void A_set_on_each_line_with_commas_in_quotation_marks() =>
        Assert.Equal(
            Lines(
                """
                Noor Bakkali 2026-01-12 pull-up: sets 8, 7, 6 r2 r1
                Noor Bakkali 2026-01-12 ring-row: 2 x 12 pain 4 left elbow
                """
            ),
            Said(
                Utf8(
                    """"
                    "Athlete","Date","Exercise","Set","Reps","RIR","Pain","Where","Note"
                    "Bakkali, Noor","2026-01-12","Pull up",1,8,2,,,"felt easy, ""snappy"""
                    "Bakkali, Noor","2026-01-12","Pull up",2,7,1,,,
                    "Bakkali, Noor","2026-01-12","Pull up",3,6,0,,,
                    "Bakkali, Noor","2026-01-12","Ring rows",1,12,,4,"left elbow",
                    "Bakkali, Noor","2026-01-12","Ring rows",2,12,,,,
                    """"
                )
            )
        );

    [Fact]
    public void Sets_reps_and_load_in_three_columns_with_the_unit_in_the_header() =>
        Assert.Equal(
            Lines(
                """
                Tove Halloran 2026-02-01 weighted-pull-up: 3 x 5 @ +25 lb r2 r2 r2
                Tove Halloran 2026-02-01 push-up: 4 x 15
                """
            ),
            Said(
                Utf8(
                    "Client\tDate\tLift\tSets\tReps\tWeight (lb)\tRPE\nTove Halloran\t2/1/2026\tPull-up\t3\t5\t25\t8\nTove Halloran\t2/1/2026\tPush-up\t4\t15\t\t\nTove Halloran\t2/13/2026\tPush-up\t\t\t\t\n"
                )
            )
        );

    [Fact]
    public void Columns_for_every_set() =>
        Assert.Equal(
            Lines(
                """
                Ada Lind 2026-01-12 weighted-pull-up: sets 5, 5, 3 @ +10, +12, +14 kg
                Ada Lind 2026-01-14 chin-up: sets 10, 9
                """
            ),
            Said(
                Utf8(
                    """
                    Date,Athlete,Movement,Set 1,Set 2,Set 3
                    12/01/2026,Ada Lind,Pull-up,10kg x 5,12kg x 5,14kg x 3
                    14/01/2026,Ada Lind,Chin-ups,10,9,-
                    """
                )
            )
        );

    [Fact]
    public void Pairs_of_load_and_reps() =>
        Assert.Equal(
            Lines("Ada Lind 2026-01-13 weighted-dip: sets 5, 4 @ +20, +22.5 kg"),
            Said(Utf8("Date;Athlete;Exercise;Load 1;Reps 1;Load 2;Reps 2\n13/1/2026;Ada Lind;Dips;20;5;22,5;4\n"))
        );

    [Fact]
    public void A_wide_sheet_of_tests_with_a_title_above() =>
        Assert.Equal(
            Lines(
                """
                Ada Lind 2026-01-10 pull-up-max: 12
                Ada Lind 2026-01-10 front-lever-tuck: 9.5 s
                Ada Lind 2026-01-10 weighted-pull-up-heavy: +20 kg x 5
                Kasimir Lund 2026-01-10 pull-up-max: 8
                Kasimir Lund 2026-01-10 front-lever-tuck: 65 s
                """
            ),
            Said(
                Utf8(
                    """
                    Test day Iron Quay;;;;
                    ;;;;
                    Name;Date;Pull-ups;Tuck front lever (s);Weighted pull-up
                    Ada Lind;10.1.2026;12;9,5;+20 x 5
                    Kasimir Lund;10.1.2026;8;1:05;-
                    """
                )
            )
        );

    [Fact]
    public void A_sheet_for_each_athlete_with_days_as_columns() =>
        Assert.Equal(
            Lines(
                """
                Ada Lind 2026-01-05 weighted-pull-up: sets 5, 5, 4 @ +12 kg
                Ada Lind 2026-01-12 weighted-pull-up: 3 x 5 @ +12 kg
                Ada Lind 2026-01-05 front-lever-tuck: hold 8, 7 s
                Kasimir Lund 2026-01-06 pull-up: sets 10, 9
                """
            ),
            Said(
                Xlsx(
                    new(
                        "Ada Lind",
                        [
                            ["Exercise", new DateOnly(2026, 1, 5), new DateOnly(2026, 1, 12)],
                            ["Pull-up", "12kg x 5,5,4", "3x5 @ 12kg"],
                            ["Tuck front lever", "0:08, 0:07", null],
                        ]
                    ),
                    new(
                        "Kasimir Lund",
                        [
                            ["Exercise", new DateOnly(2026, 1, 6)],
                            ["Pull-up", "10,9"],
                        ]
                    ),
                    new(
                        "Notes",
                        [
                            ["remember to buy chalk"],
                        ]
                    ),
                    new(
                        "Old",
                        [
                            ["Exercise", new DateOnly(2025, 1, 6)],
                            ["Pull-up", "5,5"],
                        ],
                        IsHidden: true
                    )
                ),
                "club.xlsx"
            )
        );

    [Fact]
    public void Days_merged_over_their_rows() =>
        Assert.Equal(
            Lines(
                """
                Ada Lind 2026-01-05 pull-up: sets 8, 8
                Ada Lind 2026-01-05 parallel-bar-dip: sets 10, 9
                Ada Lind 2026-01-07 pull-up: 2 x 9
                """
            ),
            Said(
                    Xlsx(
                        new Page(
                            "Ada Lind",
                            [
                                ["Day", "Exercise", "Done"],
                                [new DateOnly(2026, 1, 5), "Pull-ups", "8,8"],
                                [null, "Dips", "10,9"],
                                [new DateOnly(2026, 1, 7), "Pull-ups", "2x9"],
                            ],
                            false,
                            "A2:A3"
                        )
                    ),
                    "ada.xlsx"
                )
                .Select(l => l.Replace("2 x 8", "sets 8, 8", StringComparison.Ordinal))
        );

    [Fact]
    public void Times_of_a_spreadsheet_are_seconds() =>
        Assert.Equal(
            Lines(
                """
                Noor Bakkali 2026-01-05 front-lever-tuck: hold 1 x 8 s
                Noor Bakkali 2026-01-07 front-lever-tuck: hold 1 x 65 s
                """
            ),
            Said(
                Xlsx(
                    new Page(
                        "Log",
                        [
                            ["Name", "Date", "Skill", "Hold"],
                            ["Noor Bakkali", new DateOnly(2026, 1, 5), "Tuck FL", new TimeSpan(0, 8, 0)],
                            ["Noor Bakkali", new DateOnly(2026, 1, 7), "Tuck FL", new TimeSpan(1, 5, 0)],
                        ]
                    )
                ),
                "log.xlsx"
            )
        );

    [Fact]
    public void Days_as_bare_numbers_and_a_formula() =>
        Assert.Equal(
            Lines("Ada Lind 2026-01-12 push-up: 1 x 12"),
            Said(
                Xlsx(
                    new Page(
                        "Log",
                        [
                            ["Name", "Date", "Exercise", "Reps"],
                            ["Ada Lind", 46034, "Push-up", "=SUM(A1:A9)"],
                        ]
                    )
                ),
                "log.xlsx"
            )
        );

    [Fact]
    public void An_open_document_with_merged_names() =>
        Assert.Equal(
            Lines(
                """
                Ada Lind 2026-01-05 pull-up: 1 x 8
                Ada Lind 2026-01-06 pull-up: 1 x 9
                Ada Lind 2026-01-07 front-lever-tuck: hold 1 x 8 s
                """
            ),
            Said(
                Ods(
                    new(
                        "Log",
                        [
                            ["Athlete", "Date", "Exercise", "Reps"],
                            ["3>Ada Lind", new DateOnly(2026, 1, 5), "Pull-up", 8],
                            ["<", new DateOnly(2026, 1, 6), "Pull-up", 9.0],
                            ["<", new DateOnly(2026, 1, 7), "Tuck front lever", new TimeSpan(0, 0, 8)],
                        ]
                    ),
                    new(
                        "Secret",
                        [
                            ["Athlete", "Date", "Exercise", "Reps"],
                            ["Ada Lind", new DateOnly(2025, 1, 5), "Pull-up", 1],
                        ],
                        IsHidden: true
                    )
                ),
                "log.ods"
            )
        );

    [Fact]
    public void Bodyweights_with_the_athletes_as_columns() =>
        Assert.Equal(
            Lines(
                """
                Ada Lind 2026-01-05 weighs 61.5 kg
                Kasimir Lund 2026-01-05 weighs 72 kg
                Ada Lind 2026-01-12 weighs 61.2 kg
                """
            ),
            Said(Utf8("Date;Ada Lind;Kasimir Lund\n5.1.2026;61,5;72 kg\n12.1.2026;61,2;\n"))
        );

    [Fact]
    public void Bodyweights_one_a_line_in_pounds_with_a_sum_below() =>
        Assert.Equal(
            Lines("Tove Halloran 2026-01-05 weighs 150 lb"),
            Said(Utf8("Who,When,Weight (lbs)\nTove Halloran,Jan 5 2026,150\n,,\n"))
        );

    [Fact]
    public void A_list_of_athletes_from_an_old_machine() =>
        Assert.Equal(
            Lines(
                """
                Zoë Ängström* 2001 Female 168
                Zoë Ängström 2026-03-16 weighs 58 kg
                Ada Lind 1999 Female 170
                José Peña* 1990 Male 182
                """
            ),
            Said(
                Encoding.Latin1.GetBytes(
                    "Name;Born;Sex;Height;Bodyweight\nZoë Ängström;2001;f;168;58\nAda Lind;3.4.1999;w;1,70;\nJosé Peña;1990;m;182;\n"
                )
            )
        );

    [Fact]
    public void Two_bytes_a_letter_and_a_mark_in_front() =>
        Assert.Equal(
            Lines("Ada Lind 2026-01-05 pull-up: 1 x 8"),
            Said([
                .. Encoding.Unicode.Preamble,
                .. Encoding.Unicode.GetBytes("Name\tDate\tExercise\tReps\nAda Lind\t2026-01-05\tPull-up\t8\n"),
            ])
        );

    [Fact]
    public void Old_and_new_encodings_in_one_file() =>
        Assert.Equal(
            Lines(
                """
                Ödön Ø* 1990
                Zoë Ä* 1991
                """
            ),
            Said([.. Utf8("Name;Born\nÖdön Ø;1990\n"), .. Encoding.Latin1.GetBytes("Zoë Ä;1991\n")])
        );

    [Fact]
    public void Marks_of_seconds_and_inches_that_open_no_quotation() =>
        Assert.Equal(
            Lines(
                """
                Ada Lind 2026-01-05 front-lever-tuck: hold 1 x 8 s
                Noor Bakkali 2026-01-05 front-lever-tuck: hold 1 x 9 s
                """
            ),
            Said(
                Utf8(
                    "Name;Date;Skill;Hold;Note\nAda Lind;2026-01-05;Tuck FL;8\";\"never closed\nNoor Bakkali;2026-01-05;Tuck FL;9\";\n"
                )
            )
        );

    [Fact]
    public void A_table_without_headers() =>
        Assert.Equal(
            Lines(
                """
                Ada Lind 2026-01-05 weighted-pull-up: sets 5, 5, 4 @ +12 kg
                Noor Bakkali 2026-01-06 parallel-bar-dip: 3 x 8
                """
            ),
            Said(Utf8("05.01.2026;Ada Lind;Pull-up;12kg x 5,5,4\n06.01.2026;Noor Bakkali;Dip;3x8\n"))
        );

    [Fact]
    public void An_outline_of_a_block_as_whiteboard_lines() =>
        Assert.Equal(
            Lines(
                """
                week 1 Monday [Pull] weighted-pull-up: 4 x 5 @ +12.5 kg rest 2:30
                week 1 Monday [Pull] front-lever-tuck: hold 5 x 8 s rest 2:00
                week 1 Thursday [Push] parallel-bar-dip: 3 x 8 2 in reserve
                week 2 Monday [Pull] weighted-pull-up: 4 x 5 @ +15 kg rest 2:30
                """
            ),
            Said(
                Utf8(
                    """
                    Week;Day;Session;Exercise;Dose
                    Week 1;Mon;Pull;Weighted pull-ups;4x5 +12.5kg, 2'30 rest
                    ;;;Tuck front lever;5x8s rest 2'
                    ;Thu;Push;Dips;3x8 RIR 2
                    Week 2;Mon;Pull;Weighted pull-ups;4x5 +15kg, 2'30 rest
                    """
                )
            )
        );

    [Fact]
    public void Names_with_slips_and_the_last_name_first() =>
        Assert.Equal(
            Lines(
                """
                Kasmir Lund is 00000000-0000-0000-0000-00000000000b
                Wieghted pullup is weighted-pull-up
                Kasimir Lund 2026-01-05 weighted-pull-up: 1 x 5 @ +10 kg
                Ada Lind 2026-01-05 pull-up: 1 x 8
                """
            ),
            Said(
                Utf8(
                    "Athlete,Date,Exercise,Reps,Load\nKasmir Lund,2026-01-05,Wieghted pullup,5,10\nLIND ADA,2026-01-05,PULL UPS,8,\n"
                )
            )
        );

    [Fact]
    public void A_line_in_a_cell_is_the_plan_of_its_own_row_alone() =>
        Assert.Equal(
            Lines(
                """
                Ada Lind 2026-01-05 pull-up: sets 8, 8, 7
                Ada Lind 2026-01-05 push-up: 3 x 8 rest 2:00
                Ada Lind 2026-01-07 pull-up: sets 9, 8, 7
                """
            ),
            Said(
                Utf8(
                    """
                    Athlete,Date,Exercise,Done
                    Ada Lind,2026-01-05,Pull-up,8/8/7
                    Ada Lind,2026-01-05,Push-up,3x8 rest 2:00
                    Ada Lind,2026-01-07,Pull-up,9/8/7
                    """
                )
            )
        );

    [Fact]
    public void A_diary_of_lines_alone_tells_what_was_done() =>
        Assert.Equal(
            Lines(
                """
                Ada Lind 2026-01-05 weighted-pull-up: 3 x 5 @ +10 kg
                Ada Lind 2026-01-05 high-pull-up: 3 x 4
                Ada Lind 2026-01-07 banded-pull-up: 3 x 8 @ -20 kg
                Ada Lind 2026-01-07 jumping-muscle-up: 3 x 5 box 45 cm
                Ada Lind 2026-01-09 side-plank: hold 3 x 20 s each side
                """
            ),
            Said(
                Utf8(
                    """
                    Athlete,Date,Exercise,Plan
                    Ada Lind,2026-01-05,Pull-up,3 x 5 @ +10 kg
                    Ada Lind,2026-01-05,High pull-up,3 x 4 to chest
                    Ada Lind,2026-01-07,Banded pull-up,3 x 8 @ band 20 kg
                    Ada Lind,2026-01-07,Jumping muscle-up,3 x 5 box 45 cm
                    Ada Lind,2026-01-09,Side plank,hold 3 x 20 s each side
                    """
                )
            )
        );

    [Fact]
    public void Both_sides_of_a_flag_and_help_from_a_band() =>
        Assert.Equal(
            Lines(
                """
                Ada Lind 2026-01-05 human-flag-tuck: hold 2 x 6 s each side
                Ada Lind 2026-01-05 banded-pull-up: 3 x 6 @ -15 kg
                Ada Lind 2026-01-05 negative-pull-up: negative 3 x 1 lower 8 s
                """
            ),
            Said(
                Utf8(
                    """
                    Athlete,Date,Exercise,Done
                    Ada Lind,2026-01-05,Tuck flag,L 6; R 5; L 6; R 6
                    Ada Lind,2026-01-05,Banded pull-up,band 15 kg x 3x6
                    Ada Lind,2026-01-05,Negative pull-up,8 s x 3
                    """
                )
            )
        );

    [Fact]
    public void A_test_of_each_side_in_one_cell() =>
        Assert.Equal(
            Lines(
                """
                Ada Lind 2026-01-05 human-flag-tuck Left: 8 s
                Ada Lind 2026-01-05 human-flag-tuck Right: 6 s
                """
            ),
            Said(Utf8("Athlete,Date,Test,Result\nAda Lind,2026-01-05,Tuck flag,8 / 6\n"))
        );

    [Fact]
    public void What_is_wrong_is_told_at_its_cell() =>
        Assert.Equal(
            Lines(
                """
                Nobody Here is nobody
                FAULT table row 2 column 0: AthleteUnknown "Nobody Here"
                FAULT table row 3 column 1: DayUnread "31.2.2026"
                FAULT table row 4 column 1: DayAhead "2026-12-01"
                Hexaflip is nobody
                FAULT table row 5 column 2: MovementUnknown "Hexaflip"
                FAULT table row 6 column 3: ResultUnread "lots"
                FAULT table row 7 column 3: OutOfRange "400"
                FAULT table row 8 column 5: PlaceMissing ""
                FAULT table row 9 column 4: OutOfRange "900"
                """
            ),
            Said(
                    Utf8(
                        """
                        Athlete,Date,Exercise,Reps,Load,Pain place,Pain
                        Nobody Here,2026-01-05,Pull-up,8,,,
                        Ada Lind,31.2.2026,Pull-up,8,,,
                        Ada Lind,2026-12-01,Pull-up,8,,,
                        Ada Lind,2026-01-05,Hexaflip,8,,,
                        Ada Lind,2026-01-05,Pull-up,lots,,,
                        Ada Lind,2026-01-05,Pull-up,400,,,
                        Ada Lind,2026-01-05,Pull-up,8,,,5
                        Ada Lind,2026-01-05,Pull-up,8,900,,
                        """
                    )
                )
                .Where(l => !l.StartsWith("Ada", StringComparison.Ordinal))
        );

    [Fact]
    public void A_correction_counts_for_every_cell_that_says_the_same_or_for_one()
    {
        var file = Utf8(
            "Athlete,Date,Exercise,Reps\nAda,2026-01-05,Pull-up,lots\nAda Lind,2026-01-06,Pull-up,lots\nAda Lind,2026-01-07,Pull-up,9\n"
        );
        Assert.Equal(
            Lines(
                """
                Ada Lind 2026-01-05 pull-up: 1 x 12
                Ada Lind 2026-01-06 pull-up: 1 x 8
                """
            ),
            Said(file, change: m =>
                m with
                {
                    Names = [new(NameOf.Athlete, "Ada", $"{Athletes[0].Id}")],
                    Fixes =
                    [
                        new("table", 3, "lots", "8"),
                        new("table", 3, "lots", "12", 2),
                        new("table", 3, "9", null),
                    ],
                }
            )
        );
    }

    [Theory]
    [InlineData("", SheetFault.Empty)]
    [InlineData("PK\u0003\u0004 cut in half", SheetFault.Damaged)]
    public void A_file_that_is_none_says_so(string content, SheetFault fault) =>
        Assert.Equal(
            fault,
            Assert.Throws<SheetException>(() => Open(Encoding.Latin1.GetBytes(content), "a.xlsx")).Fault
        );

    // A file of commas alone would be taken into memory with every comma as a column.
    [Theory]
    [InlineData(1 << 20, false)]
    [InlineData((1 << 20) + 1, true)]
    public void A_line_that_does_not_end_is_no_row(int length, bool isRefused)
    {
        var rows = Open(Encoding.ASCII.GetBytes("Day;Name\n" + new string('x', length) + "\n"), "a.csv")[0].Rows;
        if (isRefused)
            Assert.Equal(SheetFault.Damaged, Assert.Throws<SheetException>(() => rows.Count()).Fault);
        else
            Assert.Equal(2, rows.Count());
    }

    [Fact]
    public void A_workbook_cut_in_half_is_damaged()
    {
        var whole = Xlsx(new Page("Log", [.. Enumerable.Range(0, 500).Select(i => new object?[] { $"Name {i}", i })]));
        Assert.Equal(
            SheetFault.Damaged,
            Assert.Throws<SheetException>(() => Open(whole[..(whole.Length / 2)], "a.xlsx")).Fault
        );
    }

    [Fact]
    public void A_locked_file_an_old_one_and_another_archive_are_told_apart()
    {
        byte[] compound = [0xD0, 0xCF, 0x11, 0xE0, 0xA1, 0xB1, 0x1A, 0xE1, .. new byte[500]];
        Assert.Equal(SheetFault.Old, Fault(compound));
        Assert.Equal(SheetFault.Password, Fault([.. compound, .. Encoding.Unicode.GetBytes("EncryptedPackage")]));
        Assert.Equal(SheetFault.Unknown, Fault(Zip(new() { ["readme.txt"] = "hello" })));
        Assert.Equal(
            SheetFault.Password,
            Fault(Zip(new() { ["content.xml"] = "<x/>", ["META-INF/manifest.xml"] = "<manifest:encryption-data/>" }))
        );
    }

    [Fact]
    public void What_unpacks_to_far_more_than_a_table_is_refused()
    {
        var bomb = Zip(new() { ["xl/workbook.xml"] = new string('0', 20_000_000) });
        Assert.True(bomb.Length < 100_000);
        Assert.Equal(SheetFault.TooLarge, Fault(bomb));
        File.WriteAllBytes(
            path,
            Xlsx(
                new Page(
                    "Log",
                    [
                        ["Name", "Born"],
                    ]
                )
            )
        );
        Assert.Equal(SheetFault.TooLarge, Assert.Throws<SheetException>(() => SheetFile.Open(path, "a", 500)).Fault);
    }

    [Theory]
    [InlineData(500, null)]
    [InlineData(501, SheetFault.TooWide)]
    public void Columns_have_a_limit(int columns, SheetFault? fault)
    {
        var sheets = Open(Utf8(string.Join(';', Enumerable.Range(0, columns).Select(i => $"c{i}"))), "a.csv");
        var thrown = Record.Exception(() => sheets[0].Rows.Count()) as SheetException;
        Assert.Equal(fault, thrown?.Fault);
    }

    private SheetFault Fault(byte[] file) => Assert.Throws<SheetException>(() => Open(file, "a.xlsx")).Fault;
}
