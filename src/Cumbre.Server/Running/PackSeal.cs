using System.IO.Compression;
using System.Text.Json;
using Cumbre.Core.Notation;
using Cumbre.Core.Prescriptions;
using Cumbre.Storage.Sessions;
using Microsoft.AspNetCore.DataProtection;
using Microsoft.AspNetCore.WebUtilities;

namespace Cumbre.Server.Running;

/// <summary>An item as a pack showed it.</summary>
/// <param name="Id">Of the item.</param>
/// <param name="Movement">Slug.</param>
/// <param name="Plan">The structured prescription as text.</param>
/// <param name="Joined">In turn with the one before.</param>
/// <param name="Role">The part that it plays.</param>
/// <param name="Relief">Why it is lighter.</param>
/// <param name="Frozen">Its loads and how it was shown.</param>
/// <param name="InsteadOf">The item whose rest it may take over; null: it is of the plan.</param>
/// <param name="EasyPlan">The same in the easy version of the day.</param>
/// <param name="EasyFrozen">The same.</param>
internal sealed record SealedItem(
    Guid Id,
    string Movement,
    string Plan,
    bool Joined,
    ItemRole? Role,
    Relief? Relief,
    FrozenPlan Frozen,
    Guid? InsteadOf,
    string? EasyPlan,
    FrozenPlan? EasyFrozen
)
{
    /// <param name="easy">As the easy version of the day has it.</param>
    public StoredItem ToStored(bool easy) =>
        easy && EasyPlan is not null
            ? new(Id, Movement, WrittenLine.Of(PrescriptionJson.Read(EasyPlan)), EasyFrozen)
            {
                Joined = Joined,
                Role = Role,
                Relief = Relief ?? Storage.Sessions.Relief.Ease,
                BeforeEasy = WrittenLine.Of(PrescriptionJson.Read(Plan)),
            }
            : new(Id, Movement, WrittenLine.Of(PrescriptionJson.Read(Plan)), Frozen)
            {
                Joined = Joined,
                Role = Role,
                Relief = Relief,
                InsteadOf = InsteadOf,
            };
}

/// <summary>A session as a pack showed it: what the athlete did was done by this plan, whatever became of it since.</summary>
internal sealed record SealedPack(
    Guid Session,
    Guid Athlete,
    DateOnly Day,
    string Title,
    bool Easy,
    long Version,
    IReadOnlyList<SealedItem> Items
);

/// <summary>
/// Packs go out with a seal that only this club can make and read, and come back with the entries. So nothing needs to be
/// kept of packs that were never run, and nobody can bring a plan that was never shown.
/// </summary>
internal sealed class PackSeal(IDataProtectionProvider protection)
{
    private readonly IDataProtector protector = protection.CreateProtector("Cumbre.Pack.v1");

    public string Write(SealedPack pack)
    {
        using var packed = new MemoryStream();
        using (var brotli = new BrotliStream(packed, CompressionLevel.Fastest))
            JsonSerializer.Serialize(brotli, pack, WireJson.Options);
        return WebEncoders.Base64UrlEncode(protector.Protect(packed.ToArray()));
    }

    /// <summary>Null: it is no seal of this club.</summary>
    public SealedPack? Read(string seal)
    {
        try
        {
            using var packed = new MemoryStream(protector.Unprotect(WebEncoders.Base64UrlDecode(seal)));
            using var brotli = new BrotliStream(packed, CompressionMode.Decompress);
            return JsonSerializer.Deserialize<SealedPack>(brotli, WireJson.Options);
        }
        catch (Exception e)
            when (e is FormatException or System.Security.Cryptography.CryptographicException or JsonException)
        {
            return null;
        }
    }
}
