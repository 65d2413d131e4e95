# Prints what this machine says of its memory, as one text: memory devices, the array they are in,
# memory in use, page file. Reads only; changes nothing, sends nothing.
$ErrorActionPreference = 'SilentlyContinue'
function Say($what) { "`r`n== $what ==" }
function List($class, $properties) {
  Get-CimInstance -ClassName $class | Format-List -Property $properties | Out-String -Width 400
}

Say 'memory report 1'
Say 'memory devices'
List 'Win32_PhysicalMemory' @(
  'DeviceLocator', 'BankLabel', 'Capacity', 'FormFactor', 'SMBIOSMemoryType', 'MemoryType',
  'TypeDetail', 'Speed', 'ConfiguredClockSpeed', 'ConfiguredVoltage', 'DataWidth', 'TotalWidth',
  'Manufacturer', 'PartNumber', 'SerialNumber')
Say 'memory array'
List 'Win32_PhysicalMemoryArray' @('Use', 'MemoryDevices', 'MaxCapacity', 'MaxCapacityEx')
Say 'memory in use'
List 'Win32_OperatingSystem' @('TotalVisibleMemorySize', 'FreePhysicalMemory')
Say 'page file'
List 'Win32_ComputerSystem' @('AutomaticManagedPagefile', 'TotalPhysicalMemory')
List 'Win32_PageFileUsage' @('AllocatedBaseSize', 'CurrentUsage')
Say 'end'
