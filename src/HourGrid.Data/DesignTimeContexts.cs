using Microsoft.EntityFrameworkCore.Design;

namespace HourGrid.Data;

/// <summary>Lets <c>dotnet ef migrations add</c> build the model without starting the server.</summary>
internal sealed class DesignTimeContexts : IDesignTimeDbContextFactory<HourGridContext>
{
    public HourGridContext CreateDbContext(string[] args)
    {
        return DatabaseFile.Open("design-time.db");
    }
}
