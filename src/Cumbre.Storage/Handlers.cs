using System.Data;
using System.Globalization;
using Dapper;
using Microsoft.Data.Sqlite;

namespace Cumbre.Storage;

/// <summary>An instant as it is stored.</summary>
internal static class Instant
{
    public static string Text(DateTimeOffset at) =>
        at.UtcDateTime.ToString("yyyy-MM-dd'T'HH:mm:ss.fff'Z'", CultureInfo.InvariantCulture);
}

/// <summary>How ids, days, instants and exact decimals lie in SQLite.</summary>
internal static class Handlers
{
    public static void Register()
    {
        SqlMapper.RemoveTypeMap(typeof(Guid));
        SqlMapper.RemoveTypeMap(typeof(Guid?));
        SqlMapper.RemoveTypeMap(typeof(decimal));
        SqlMapper.RemoveTypeMap(typeof(decimal?));
        SqlMapper.RemoveTypeMap(typeof(DateOnly));
        SqlMapper.RemoveTypeMap(typeof(DateOnly?));
        SqlMapper.RemoveTypeMap(typeof(DateTimeOffset));
        SqlMapper.RemoveTypeMap(typeof(DateTimeOffset?));
        SqlMapper.AddTypeHandler(new IdHandler());
        SqlMapper.AddTypeHandler(new DecimalHandler());
        SqlMapper.AddTypeHandler(new DayHandler());
        SqlMapper.AddTypeHandler(new InstantHandler());
        DefaultTypeMap.MatchNamesWithUnderscores = true;
    }

    private sealed class IdHandler : SqlMapper.TypeHandler<Guid>
    {
        public override void SetValue(IDbDataParameter parameter, Guid value)
        {
            ((SqliteParameter)parameter).SqliteType = SqliteType.Blob;
            parameter.Value = value.ToByteArray(bigEndian: true);
        }

        public override Guid Parse(object value) => new((byte[])value, bigEndian: true);
    }

    private sealed class DecimalHandler : SqlMapper.TypeHandler<decimal>
    {
        public override void SetValue(IDbDataParameter parameter, decimal value)
        {
            ((SqliteParameter)parameter).SqliteType = SqliteType.Text;
            parameter.Value = value.ToString(CultureInfo.InvariantCulture);
        }

        public override decimal Parse(object value) => decimal.Parse((string)value, CultureInfo.InvariantCulture);
    }

    private sealed class DayHandler : SqlMapper.TypeHandler<DateOnly>
    {
        public override void SetValue(IDbDataParameter parameter, DateOnly value)
        {
            ((SqliteParameter)parameter).SqliteType = SqliteType.Text;
            parameter.Value = value.ToString("yyyy-MM-dd", CultureInfo.InvariantCulture);
        }

        public override DateOnly Parse(object value) =>
            DateOnly.ParseExact((string)value, "yyyy-MM-dd", CultureInfo.InvariantCulture);
    }

    private sealed class InstantHandler : SqlMapper.TypeHandler<DateTimeOffset>
    {
        public override void SetValue(IDbDataParameter parameter, DateTimeOffset value)
        {
            ((SqliteParameter)parameter).SqliteType = SqliteType.Text;
            parameter.Value = Instant.Text(value);
        }

        public override DateTimeOffset Parse(object value) =>
            DateTimeOffset.Parse((string)value, CultureInfo.InvariantCulture, DateTimeStyles.AssumeUniversal);
    }
}
