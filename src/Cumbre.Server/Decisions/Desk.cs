using System.Buffers;
using System.Text.Json;
using Cumbre.Server.Hosting;
using Cumbre.Server.Reading;
using Cumbre.Server.Standings;
using Cumbre.Storage;
using Cumbre.Storage.Accounts;
using Cumbre.Storage.Sessions;

namespace Cumbre.Server.Decisions;

/// <summary>All that waits for one athlete: one row of the Desk.</summary>
/// <param name="AthleteId">Whose.</param>
/// <param name="AthleteName">Whose.</param>
/// <param name="Decisions">The most cautious first.</param>
public sealed record DeskRow(Guid AthleteId, string AthleteName, IReadOnlyList<DecisionDto> Decisions);

/// <summary>A session of today.</summary>
/// <param name="Id">Of the session.</param>
/// <param name="AthleteId">Whose.</param>
/// <param name="AthleteName">Whose.</param>
/// <param name="Line">Of its only item; null: it has several, or none.</param>
/// <param name="Movement">Of its only item.</param>
/// <param name="Title">For instance Pull; may be empty.</param>
/// <param name="Items">How many.</param>
/// <param name="DurationSeconds">Of all of it.</param>
/// <param name="Status">How far it is.</param>
/// <param name="Easy">Part of an easy week.</param>
/// <param name="DecisionWaits">One waits for this athlete.</param>
/// <param name="Held">Names of its movements that a stop holds.</param>
public sealed record DeskSession(
    Guid Id,
    Guid AthleteId,
    string AthleteName,
    string? Line,
    string? Movement,
    string Title,
    int Items,
    int DurationSeconds,
    SessionStatus Status,
    bool Easy,
    bool DecisionWaits,
    IReadOnlyList<string> Held
);

/// <summary>The coach's day.</summary>
public sealed record DeskDto(
    DateOnly Today,
    IReadOnlyList<DeskRow> Rows,
    IReadOnlyList<DecisionDto> Taken,
    IReadOnlyList<DeskSession> Sessions,
    IReadOnlyList<Retest> Retests,
    IReadOnlyList<ToldPain> Pain
);

internal static class Desk
{
    /// <summary>The Desk as it is sent; what waits for an athlete is written once, and sent until it changes.</summary>
    public static IResult Handle(Database database, ClubClock clock, Reach reach)
    {
        var (desk, waiting) = database.Read(db => Read(db, clock, reach));
        var body = new ArrayBufferWriter<byte>(FirstBytes);
        using (var writer = new Utf8JsonWriter(body))
        {
            writer.WriteStartObject();
            Write(nameof(DeskDto.Today), desk.Today);
            writer.WriteStartArray(Named(nameof(DeskDto.Rows)));
            foreach (var row in desk.Rows)
            {
                writer.WriteStartObject();
                Write(nameof(DeskRow.AthleteId), row.AthleteId);
                Write(nameof(DeskRow.AthleteName), row.AthleteName);
                writer.WriteStartArray(Named(nameof(DeskRow.Decisions)));
                foreach (var decision in waiting[row.AthleteId])
                    writer.WriteRawValue(decision.Json, skipInputValidation: true);
                writer.WriteEndArray();
                writer.WriteEndObject();
            }

            writer.WriteEndArray();
            Write(nameof(DeskDto.Taken), desk.Taken);
            Write(nameof(DeskDto.Sessions), desk.Sessions);
            Write(nameof(DeskDto.Retests), desk.Retests);
            Write(nameof(DeskDto.Pain), desk.Pain);
            writer.WriteEndObject();

            void Write<T>(string name, T value)
            {
                writer.WritePropertyName(Named(name));
                JsonSerializer.Serialize(writer, value, WireJson.Options);
            }
        }

        return TypedResults.Bytes(body.WrittenMemory, "application/json; charset=utf-8");
    }

    private const int FirstBytes = 1 << 18;

    private static string Named(string name) => WireJson.Options.PropertyNamingPolicy!.ConvertName(name);

    /// <summary>The Desk, and its open decisions by athlete with the text of each.</summary>
    internal static (DeskDto Desk, IReadOnlyDictionary<Guid, WireText<DecisionDto>[]> Waiting) Read(
        Db db,
        ClubClock clock,
        Reach reach
    )
    {
        var today = clock.Today;
        // Who is archived is not on the Desk, whatever still waits for them.
        var standings = Standing.All(db, clock, reach).ToDictionary(s => s.Row.Id);
        var waiting = standings
            .Values.Select(s =>
                (
                    s.Row.Id,
                    Open: s.Waiting!.Texts.Where(d => DecisionDto.IsOpen(d.Value.State, d.Value.DeferredUntil, today))
                        .ToArray()
                )
            )
            .Where(w => w.Open.Length > 0)
            .ToDictionary(w => w.Id, w => w.Open);
        var desk = new DeskDto(
            today,
            [
                .. waiting
                    .Select(w => new DeskRow(w.Key, standings[w.Key].Row.Name, [.. w.Value.Select(d => d.Value)]))
                    .OrderBy(r => r.Decisions[0].Kind)
                    .ThenBy(r => r.Decisions[0].NextDay)
                    .ThenBy(r => r.AthleteName, StringComparer.Ordinal),
            ],
            [
                .. standings
                    .Values.SelectMany(s => s.Waiting!.Taken)
                    .OrderByDescending(t => t.At)
                    .Select(t => t.Decision),
            ],
            [
                .. SessionStore
                    .On(db, today)
                    .Select(head => Session(head, standings.GetValueOrDefault(head.AthleteId), waiting))
                    .OfType<DeskSession>()
                    .OrderBy(s => s.AthleteName, StringComparer.Ordinal)
                    .ThenBy(s => s.Id),
            ],
            [
                .. standings
                    .Values.SelectMany(s => s.Tests)
                    .OrderBy(r => r.DueDay)
                    .ThenBy(r => r.AthleteName, StringComparer.Ordinal),
            ],
            [
                .. standings
                    .Values.SelectMany(s => s.Pain)
                    .OrderByDescending(p => p.Stopped)
                    .ThenByDescending(p => p.Pain),
            ]
        );
        return (desk, waiting);
    }

    /// <summary>
    /// Null: of somebody archived, or planned a moment ago, with what follows from it still on its way.
    /// </summary>
    private static DeskSession? Session(
        SessionHead head,
        Standing? standing,
        IReadOnlyDictionary<Guid, WireText<DecisionDto>[]> waiting
    ) =>
        standing?.Sessions.FirstOrDefault(s => s.Id == head.Id) is not { } session
            ? null
            : new(
                head.Id,
                head.AthleteId,
                standing.Row.Name,
                session.Line,
                session.Movement,
                head.Title,
                session.Items,
                head.FrameSeconds + session.Seconds,
                head.Status,
                session.Easy,
                waiting.ContainsKey(head.AthleteId),
                session.Held
            );
}
