using System.Collections.Concurrent;
using Cumbre.Core.Exchange;
using Cumbre.Server.Hosting;
using Cumbre.Sheets;

namespace Cumbre.Server.Exchange;

/// <summary>A file on its way into the club.</summary>
/// <param name="Id">Of the file.</param>
/// <param name="Name">As its owner calls it.</param>
/// <param name="Owner">The account that sent it; nobody else sees it.</param>
/// <param name="Path">Where it lies.</param>
/// <param name="At">When it came.</param>
internal sealed record OpenFile(Guid Id, string Name, Guid Owner, string Path, DateTimeOffset At)
{
    private long rows;

    public required IReadOnlyList<SheetHead> Heads { get; init; }

    public ImportState State { get; set; }

    public long Rows
    {
        get => Interlocked.Read(ref rows);
        set => Interlocked.Exchange(ref rows, value);
    }

    public long Total { get; set; }

    public ImportResult? Result { get; set; }

    public Message? Problem { get; set; }

    public CancellationTokenSource Cancel { get; } = new();

    public IReadOnlyList<Sheet> Sheets => SheetFile.Open(Path, Name);
}

/// <summary>
/// Files that were sent and are looked at. They lie in a folder of their own until they are in or put away, at most a
/// day, and never longer than the app runs.
/// </summary>
internal sealed class ImportFiles : IDisposable
{
    /// <summary>Bytes of a file; this project's choice.</summary>
    public const long LengthMaximum = 400L << 20;

    private static readonly TimeSpan Kept = TimeSpan.FromDays(1),
        Step = TimeSpan.FromHours(1);

    private readonly ConcurrentDictionary<Guid, OpenFile> files = new();
    private readonly string folder;
    private readonly TimeProvider time;
    private readonly ITimer clearing;

    public ImportFiles(CumbreOptions options, TimeProvider time)
    {
        folder = Path.Combine(options.Data, "imports");
        this.time = time;
        if (Directory.Exists(folder))
            Directory.Delete(folder, recursive: true);
        clearing = time.CreateTimer(_ => Prune(), null, Step, Step);
    }

    /// <exception cref="SheetException">It is no table that can be read.</exception>
    /// <exception cref="FieldException">It is too large.</exception>
    public async Task<OpenFile> Keep(Guid id, string name, Guid owner, Stream content, CancellationToken cancel)
    {
        Directory.CreateDirectory(folder);
        var path = Path.Combine(folder, $"{id:N}");
        try
        {
            await using (var file = File.Create(path))
            {
                var buffer = new byte[81_920];
                for (int read; (read = await content.ReadAsync(buffer, cancel)) > 0; )
                {
                    await file.WriteAsync(buffer.AsMemory(0, read), cancel);
                    if (file.Length > LengthMaximum)
                        throw Problems.Field("file", Words.ImportTooLarge(LengthMaximum >> 20));
                }
            }

            var heads = SheetFile
                .Open(path, name)
                .Select(s => new SheetHead(s.Name, s.IsHidden, [.. s.Rows.Take(MappingGuess.RowsLooked)]))
                .ToArray();
            if (heads.All(h => h.Rows.All(r => r.Length == 0)))
                throw new SheetException(SheetFault.Empty);
            return files[id] = new(id, name, owner, path, time.GetUtcNow()) { Heads = heads };
        }
        catch
        {
            File.Delete(path);
            throw;
        }
    }

    /// <summary>Null: there is none, or it is somebody else's.</summary>
    public OpenFile? Find(Guid id, Guid owner) =>
        files.TryGetValue(id, out var file) && file.Owner == owner ? file : null;

    public void Remove(OpenFile file)
    {
        file.Cancel.Cancel();
        if (file.State == ImportState.Running)
            return;
        files.TryRemove(file.Id, out _);
        File.Delete(file.Path);
    }

    private void Prune()
    {
        foreach (var old in files.Values.Where(f => time.GetUtcNow() - f.At > Kept))
            Remove(old);
    }

    public void Dispose() => clearing.Dispose();
}
