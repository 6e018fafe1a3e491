using JauntyBadge.Data;
using Microsoft.AspNetCore.DataProtection.KeyManagement;
using Microsoft.AspNetCore.DataProtection.Repositories;
using Microsoft.Extensions.Options;

namespace JauntyBadge.Server.People;

/// <summary>Keeps the keys that sign cookies beside the practice, for this user's eyes only: who is signed in stays so through a restart and a move.</summary>
internal sealed class KeysInFolder(PracticeFolder folder, ILoggerFactory log) : IConfigureOptions<KeyManagementOptions>
{
    public void Configure(KeyManagementOptions options) => options.XmlRepository = new FileSystemXmlRepository(new DirectoryInfo(folder.Keys), log);
}
