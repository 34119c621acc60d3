using Cumbre.Core.Figures;
using Cumbre.Core.Movements;
using Cumbre.Storage;
using Cumbre.Storage.Ladders;

namespace Cumbre.Server.Figures;

/// <summary>The poses of the catalogue for a body, as they are sent.</summary>
internal static class Figures
{
    /// <summary>Positions between two key positions that a moving figure goes through.</summary>
    private const int FramesBetween = 7;

    public static FiguresDto Of(PoseBook book, FigureBody body)
    {
        var figures = book.Poses.ToDictionary(p => p.Key, p => PoseSolver.Resolve(p.Value, body));
        return new(
            [.. figures.Select(f => FigurePoseDto.Of(f.Key, f.Value))],
            book.Movements.ToDictionary(
                m => m.Key,
                m => new MovementFigureDto(m.Value.Keys, m.Value.Path, m.Value.Focus, m.Value.Pace)
            ),
            book.Forms.ToDictionary(
                f => f.Key,
                f =>
                    (IReadOnlyList<FormFaultDto>)
                        [
                            .. f.Value.Select(x => new FormFaultDto(
                                x.Fault,
                                x.Right,
                                x.Wrong,
                                x.Mark,
                                Told(x.Mark, figures[x.Right]),
                                Told(x.Mark, figures[x.Wrong])
                            )),
                        ]
            )
        );
    }

    private static int? Told(FormMark? mark, Figure figure) => mark is null ? null : (int)Math.Round(mark.Of(figure));

    /// <summary>From the start to the end; null: there is no figure.</summary>
    public static IReadOnlyList<FigureFrameDto>? Motion(PoseBook book, string movement)
    {
        if (!book.Movements.TryGetValue(movement, out var figure))
            return null;
        var keys = figure
            .Keys.Select(k => (Name: k, Figure: PoseSolver.Resolve(book.Poses[k], FigureBody.Anybody)))
            .ToArray();
        var frames = new List<FigureFrameDto> { Frame(keys[0].Name, keys[0].Figure) };
        foreach (var (from, to) in keys.Zip(keys.Skip(1)))
        {
            for (var i = 1; i <= FramesBetween; i++)
            {
                var share = i / (FramesBetween + 1.0);
                frames.Add(Frame(share < 0.5 ? from.Name : to.Name, PoseSolver.Between(from.Figure, to.Figure, share)));
            }

            frames.Add(Frame(to.Name, to.Figure));
        }

        return frames;
    }

    public static IReadOnlyList<int> Points(Figure figure) =>
        [
            .. Enum.GetValues<Joint>()
                .SelectMany(j => new[] { figure[j].X, figure[j].Y, figure[j].Z })
                .Select(FigurePoseDto.Millimetres),
        ];

    private static FigureFrameDto Frame(string pose, Figure figure) =>
        new(pose, figure.Floor is { } floor ? FigurePoseDto.Millimetres(floor) : null, Points(figure));
}

/// <summary>The figures of a club as they were made last: making them takes some hundred milliseconds.</summary>
public sealed class FigureCache
{
    private readonly Lock gate = new();
    private (long State, PoseBook Book, FiguresDto Figures)? last;

    internal (PoseBook Book, FiguresDto Figures) Of(Db db)
    {
        var state = CatalogueStore.State(db);
        lock (gate)
        {
            if (last is { } known && known.State == state)
                return (known.Book, known.Figures);
        }

        var book = PoseBook.Shipped.With(CatalogueStore.Club(db).Catalogue.Movements.Values);
        var figures = Figures.Of(book, FigureBody.Anybody);
        lock (gate)
            last = (state, book, figures);
        return (book, figures);
    }
}
