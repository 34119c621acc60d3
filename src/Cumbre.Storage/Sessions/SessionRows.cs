using System.Text.Json;
using Cumbre.Core.Benchmarks;
using Cumbre.Core.Measures;
using Cumbre.Core.Prescriptions;
using Cumbre.Core.Sessions;
using Cumbre.Storage.Athletes;
using Dapper;

namespace Cumbre.Storage.Sessions;

/// <summary>
/// A session beside one of its items, as they lie in their tables. Mapped by name: a column that is left out has no type.
/// </summary>
[method: ExplicitConstructor]
internal sealed record SessionRow(
    Guid Id,
    Guid AthleteId,
    DateOnly Day,
    string Status,
    long Easy,
    string? OverrideReason,
    long Version,
    Guid? BlockId,
    string Title,
    long WarmUpSeconds,
    string? WarmUp,
    long CoolDownSeconds,
    string? CoolDown,
    decimal? Effort,
    DateTimeOffset? BegunAt,
    DateTimeOffset? EndedAt,
    Guid? ItemId,
    string? Movement,
    string? Role,
    string? PlanJson,
    long? Joined,
    string? Relief,
    string? FrozenJson,
    string? SeenJson,
    string? Skipped,
    string? BeforeEasyJson,
    string? Ended,
    Guid? InsteadOf
)
{
    public StoredSession ToSession() =>
        new(Id, AthleteId, Day, Enum.Parse<SessionStatus>(Status), Easy == 1, OverrideReason, Version, [])
        {
            BlockId = BlockId,
            Title = Title,
            WarmUp = new((int)WarmUpSeconds, WarmUp),
            CoolDown = new((int)CoolDownSeconds, CoolDown),
            Effort = Effort,
            BegunAt = BegunAt,
            EndedAt = EndedAt,
        };

    public StoredItem? ToItem()
    {
        if (ItemId is not { } id)
            return null;
        return new(
            id,
            Movement!,
            PlanColumn.Read(PlanJson!),
            FrozenJson is null ? null : JsonSerializer.Deserialize<FrozenPlan>(FrozenJson, SessionStore.Json)
        )
        {
            Role = Role is null ? null : Enum.Parse<ItemRole>(Role),
            Joined = Joined == 1,
            Relief = Relief is null ? null : Enum.Parse<Relief>(Relief),
            Seen = SeenJson is null ? null : JsonSerializer.Deserialize<SeenPlan>(SeenJson, SessionStore.Json),
            Skipped = Skipped,
            BeforeEasy = BeforeEasyJson is null ? null : PlanColumn.Read(BeforeEasyJson),
            Ended = Ended,
            InsteadOf = InsteadOf,
        };
    }
}

/// <summary>A logged set as it lies in its table.</summary>
internal sealed record SetRow(
    Guid Id,
    Guid ItemId,
    long SetNo,
    long PartNo,
    long Reps,
    long? Seconds,
    decimal AddedValue,
    string AddedUnit,
    long? Reserve,
    string Form,
    long? Pain,
    string? PainPlace,
    long? Total,
    string? Contact,
    long Sagged,
    long? RestedSeconds,
    string? Sign,
    string? SetUpJson,
    string? FailedAt,
    string? Fault,
    string? Note,
    DateTimeOffset? DoneAt
)
{
    public StoredSet ToStored() =>
        new(
            Id,
            ItemId,
            new(
                (int)SetNo,
                (int)PartNo,
                (int)Reps,
                new(AddedValue, Enum.Parse<MassUnit>(AddedUnit)),
                (int?)Reserve,
                Enum.Parse<FormVerdict>(Form),
                (int?)Pain,
                PainPlace,
                (int?)Seconds
            )
            {
                Total = (int?)Total,
                Contact = Contact is null ? null : Enum.Parse<Contact>(Contact),
                Sagged = Sagged == 1,
                RestedSeconds = (int?)RestedSeconds,
                Sign = HealthStore.SignOf(Sign),
                SetUp = SetUpJson is null
                    ? SetUpNotes.None
                    : new(JsonSerializer.Deserialize<Dictionary<string, string>>(SetUpJson, SessionStore.Json)!),
                FailedAt = FailedAt is null ? null : Enum.Parse<FailPoint>(FailedAt),
                Fault = Fault,
                Note = Note,
            }
        )
        {
            DoneAt = DoneAt,
        };
}
