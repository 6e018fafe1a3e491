using Microsoft.EntityFrameworkCore;
using Microsoft.EntityFrameworkCore.Design;

namespace JauntyBadge.Data;

/// <summary>Lets the migrations tool make a context without starting the server.</summary>
public sealed class PracticeDbDesign : IDesignTimeDbContextFactory<PracticeDb>
{
    public PracticeDb CreateDbContext(string[] args) => new(new DbContextOptionsBuilder<PracticeDb>().UseSqlite("Data Source=design.db").Options);
}
