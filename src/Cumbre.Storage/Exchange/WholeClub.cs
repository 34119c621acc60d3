using System.Collections.Frozen;
using System.IO.Compression;
using System.Security.Cryptography;
using System.Text;
using System.Text.Encodings.Web;
using System.Text.Json;
using System.Text.Json.Nodes;
using Cumbre.Storage.Privacy;
using Dapper;
using Microsoft.Data.Sqlite;

namespace Cumbre.Storage.Exchange;

/// <summary>A table of an archive.</summary>
/// <param name="Name">As it is written in JSON.</param>
/// <param name="Rows">How many.</param>
/// <param name="Sha256">Of its file, as hexadecimal text.</param>
public sealed record ArchivedTable(string Name, long Rows, string Sha256);

/// <summary>What an archive of a club says of itself.</summary>
/// <param name="Format"><c>cumbre.club</c>.</param>
/// <param name="Version">Of the format.</param>
/// <param name="Schema">Of the database that wrote it.</param>
/// <param name="ExportedOn">The day.</param>
/// <param name="Club">Its name.</param>
/// <param name="Tables">Each is a file of its own, <c>rows/NAME.jsonl</c>.</param>
public sealed record ClubManifest(
    string Format,
    int Version,
    int Schema,
    DateOnly ExportedOn,
    string Club,
    IReadOnlyList<ArchivedTable> Tables
);

/// <summary>
/// A whole club as one file: a ZIP with <c>club.json</c> and one file of JSON lines for each table, by
/// <c>catalogue/schemas/club-archive.schema.json</c>. An empty club that reads it says the same of everybody. What lets
/// people in stays behind: each gets a link to a new password.
/// </summary>
public static class WholeClub
{
    private const string Format = "cumbre.club",
        Manifest = "club.json";

    private const int Version = 1,
        LineMaximum = 64 << 20;

    /// <summary>What lets people in, and what is worked out from the rest or is of the file alone.</summary>
    private static readonly FrozenSet<string> LeftTables =
    [
        "access_state",
        "changelog",
        "evidence",
        "failed_try",
        "known_device",
        "link",
        "link_athlete",
        "link_group",
        "recovery_code",
        "second_factor",
        "sign_in",
        "standing",
    ];

    private static readonly FrozenSet<string> LeftColumns = ["password_hash"];

    private static readonly JsonWriterOptions Plain = new() { Encoder = JavaScriptEncoder.UnsafeRelaxedJsonEscaping };

    /// <summary>Writes all of it as it is at one instant, while others read and write.</summary>
    /// <param name="database">The file.</param>
    /// <param name="to">Receives the ZIP; need not be able to go back.</param>
    /// <param name="on">Today.</param>
    /// <returns>What it says of itself.</returns>
    public static ClubManifest Write(Database database, Stream to, DateOnly on) =>
        database.Read(db =>
        {
            db.Run("BEGIN TRANSACTION");
            try
            {
                return Write(db, to, on);
            }
            finally
            {
                db.Run("COMMIT TRANSACTION");
            }
        });

    private static ClubManifest Write(Db db, Stream to, DateOnly on)
    {
        using var zip = new ZipArchive(to, ZipArchiveMode.Create, leaveOpen: true);
        var tables = new List<ArchivedTable>();
        foreach (var table in TablesOf(db.Connection))
        {
            using var hash = IncrementalHash.CreateHash(HashAlgorithmName.SHA256);
            using var entry = zip.CreateEntry(FileOf(table)).Open();
            using var rows = db.Connection.CreateCommand();
            rows.CommandText = $"SELECT * FROM {table}";
            using var reader = rows.ExecuteReader();
            var line = new MemoryStream();
            var count = 0L;
            for (; reader.Read(); count++)
            {
                line.SetLength(0);
                using (var json = new Utf8JsonWriter(line, Plain))
                    Write(reader, json);
                line.WriteByte((byte)'\n');
                var bytes = line.GetBuffer().AsSpan(0, (int)line.Length);
                hash.AppendData(bytes);
                entry.Write(bytes);
            }

            tables.Add(new(PersonalRecords.Camel(table), count, Convert.ToHexStringLower(hash.GetHashAndReset())));
        }

        var manifest = new ClubManifest(
            Format,
            Version,
            Database.Applied(db.Connection) ?? 0,
            on,
            Accounts.AccountStore.Club(db)?.Name ?? "",
            tables
        );
        using var told = zip.CreateEntry(Manifest).Open();
        JsonSerializer.Serialize(told, manifest, JsonSerializerOptions.Web);
        return manifest;
    }

    private static void Write(SqliteDataReader row, Utf8JsonWriter json)
    {
        json.WriteStartObject();
        for (var i = 0; i < row.FieldCount; i++)
        {
            var column = row.GetName(i);
            if (LeftColumns.Contains(column))
                continue;
            json.WritePropertyName(PersonalRecords.NameOf(column));
            switch (row.GetValue(i))
            {
                case DBNull:
                    json.WriteNullValue();
                    break;
                case long number:
                    json.WriteNumberValue(number);
                    break;
                case double number:
                    json.WriteNumberValue(number);
                    break;
                case byte[] { Length: 16 } id:
                    json.WriteStringValue(new Guid(id, bigEndian: true));
                    break;
                case byte[] bytes:
                    json.WriteBase64StringValue(bytes);
                    break;
                case string text when PersonalRecords.IsJson(column):
                    // As it stands: what reads it reads it the same.
                    json.WriteRawValue(text);
                    break;
                case var other:
                    json.WriteStringValue(other.ToString());
                    break;
            }
        }

        json.WriteEndObject();
    }

    /// <summary>Puts a whole club into a file that holds none: all of it or nothing.</summary>
    /// <param name="database">Of the newest schema.</param>
    /// <param name="from">The ZIP.</param>
    /// <returns>What it says of itself.</returns>
    /// <exception cref="ArchiveException">
    /// It is no archive, is damaged, is of a newer version, or the file holds a club already.
    /// </exception>
    public static ClubManifest Read(Database database, Stream from)
    {
        try
        {
            using var zip = new ZipArchive(from, ZipArchiveMode.Read, leaveOpen: true);
            var manifest = ManifestOf(zip);
            return database.WriteOnly(
                db =>
                {
                    if (db.One<long>("SELECT (SELECT count(*) FROM club) + (SELECT count(*) FROM account)") > 0)
                        throw new ArchiveException("this folder, which holds a club already");
                    db.Run("PRAGMA defer_foreign_keys = ON");
                    var known = TablesOf(db.Connection).ToDictionary(PersonalRecords.Camel);
                    foreach (var told in manifest.Tables)
                        Read(
                            db,
                            zip,
                            told,
                            known.GetValueOrDefault(told.Name) ?? throw new ArchiveException($"tables.{told.Name}")
                        );
                    // Everybody's is worked out anew.
                    db.Run("UPDATE standing SET stale = 1, anew = 1");
                    return manifest;
                },
                _ => true
            );
        }
        catch (Exception e) when (e is InvalidDataException or JsonException or SqliteException)
        {
            throw new ArchiveException("the file", e);
        }
    }

    private static ClubManifest ManifestOf(ZipArchive zip)
    {
        using var told = (zip.GetEntry(Manifest) ?? throw new ArchiveException(Manifest)).Open();
        var manifest = JsonSerializer.Deserialize<ClubManifest>(told, JsonSerializerOptions.Web);
        if (manifest is not { Format: Format, Version: Version, Tables: not null })
            throw new ArchiveException($"{Manifest}: format, version");
        if (manifest.Schema > Database.Newest())
            throw new ArchiveException($"{Manifest}: schema, written by a newer version");
        return manifest;
    }

    private static void Read(Db db, ZipArchive zip, ArchivedTable told, string table)
    {
        var file = FileOf(table);
        using var hash = IncrementalHash.CreateHash(HashAlgorithmName.SHA256);
        using var entry = (zip.GetEntry(file) ?? throw new ArchiveException(file)).Open();
        using var hashing = new HashingStream(entry, hash);
        using var lines = new StreamReader(hashing, new UTF8Encoding(false, throwOnInvalidBytes: true));
        var columns = db.Query<ColumnRow>($"SELECT name, type FROM pragma_table_info('{table}')")
            .ToDictionary(c => PersonalRecords.NameOf(c.Name));
        ColumnRow[] here = [];
        BulkInsert? insert = null;
        var count = 0L;
        try
        {
            while (lines.ReadLine() is { } line)
            {
                var place = $"{file}, line {count + 1}";
                if (line.Length > LineMaximum || JsonNode.Parse(line) is not JsonObject row)
                    throw new ArchiveException(place);
                if (insert is null)
                {
                    here =
                    [
                        .. row.Select(c =>
                            columns.GetValueOrDefault(c.Key) ?? throw new ArchiveException($"{place}: {c.Key}")
                        ),
                    ];
                    insert = new(db, table, [.. here.Select(c => c.Name)]);
                }
                else if (row.Count != here.Length)
                    throw new ArchiveException(place);

                try
                {
                    insert.Add([.. here.Select(c => Value(row[PersonalRecords.NameOf(c.Name)], c, place))]);
                }
                catch (SqliteException e)
                {
                    throw new ArchiveException(place, e);
                }

                count++;
            }
        }
        catch (DecoderFallbackException e)
        {
            throw new ArchiveException(file, e);
        }
        finally
        {
            insert?.Dispose();
        }

        if (count != told.Rows || Convert.ToHexStringLower(hash.GetHashAndReset()) != told.Sha256)
            throw new ArchiveException($"{file}, which is not as it was written");
    }

    private static object? Value(JsonNode? node, ColumnRow column, string place)
    {
        if (node is null)
            return null;
        if (PersonalRecords.IsJson(column.Name))
            return node.ToJsonString(Stored);
        if (node is not JsonValue value)
            throw new ArchiveException($"{place}: {column.Name}");
        return column.Type switch
        {
            "BLOB" when Guid.TryParse(value.ToString(), out var id) => id,
            "BLOB" when value.TryGetValue<string>(out var text) && Bytes(text) is { } bytes => bytes,
            "INTEGER" when value.TryGetValue<long>(out var number) => number,
            "REAL" when value.TryGetValue<double>(out var number) => number,
            "TEXT" when value.GetValueKind() == JsonValueKind.String => value.GetValue<string>(),
            _ => throw new ArchiveException($"{place}: {column.Name}"),
        };
    }

    private static readonly JsonSerializerOptions Stored = new()
    {
        Encoder = JavaScriptEncoder.UnsafeRelaxedJsonEscaping,
    };

    private static byte[]? Bytes(string text)
    {
        var bytes = new byte[text.Length];
        return Convert.TryFromBase64String(text, bytes, out var count) ? bytes[..count] : null;
    }

    private static string FileOf(string table) => $"rows/{PersonalRecords.Camel(table)}.jsonl";

    /// <summary>
    /// The tables that are carried, by name. Those whose rows others refer to may come later: references are looked at
    /// when all are there.
    /// </summary>
    public static IReadOnlyList<string> TablesOf(SqliteConnection file) =>
        [
            .. file.Query<string>(
                    """
                    SELECT name FROM sqlite_master
                    WHERE type = 'table' AND name NOT LIKE 'sqlite\_%' ESCAPE '\' ORDER BY name
                    """
                )
                .Where(t => !LeftTables.Contains(t)),
        ];

    private sealed record ColumnRow(string Name, string Type);

    /// <summary>Hashes what is read through it.</summary>
    private sealed class HashingStream(Stream inner, IncrementalHash hash) : Stream
    {
        public override bool CanRead => true;

        public override bool CanSeek => false;

        public override bool CanWrite => false;

        public override long Length => throw new NotSupportedException();

        public override long Position
        {
            get => throw new NotSupportedException();
            set => throw new NotSupportedException();
        }

        public override int Read(byte[] buffer, int offset, int count) => Read(buffer.AsSpan(offset, count));

        public override int Read(Span<byte> buffer)
        {
            var count = inner.Read(buffer);
            hash.AppendData(buffer[..count]);
            return count;
        }

        public override void Flush() { }

        public override long Seek(long offset, SeekOrigin origin) => throw new NotSupportedException();

        public override void SetLength(long value) => throw new NotSupportedException();

        public override void Write(byte[] buffer, int offset, int count) => throw new NotSupportedException();
    }
}
