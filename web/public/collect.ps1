# Prints what this machine says of its memory, as one text: memory devices, the array they are in,
# memory in use, hardware errors logged, page file. Reads only; changes nothing. With an address and a code of the job it sends
# the text there instead (-Address http://192.0.2.10:4311 -Code 123456); without them it sends nothing.
param([string]$Address = '', [string]$Code = '')
$ErrorActionPreference = 'SilentlyContinue'
function Say($what) { "`r`n== $what ==" }
function List($class, $properties) {
  Get-CimInstance -ClassName $class | Format-List -Property $properties | Out-String -Width 400
}

function Collect {
  Say 'memory report 1'
  Say 'memory devices'
  $devices = List 'Win32_PhysicalMemory' @(
    'DeviceLocator', 'BankLabel', 'Capacity', 'FormFactor', 'SMBIOSMemoryType', 'MemoryType',
    'TypeDetail', 'Speed', 'ConfiguredClockSpeed', 'ConfiguredVoltage', 'DataWidth', 'TotalWidth',
    'Manufacturer', 'PartNumber', 'SerialNumber')
  if ($devices -match 'DeviceLocator') { $devices } else { '(the memory devices cannot be read: run this as administrator)' }
  Say 'memory array'
  List 'Win32_PhysicalMemoryArray' @('Use', 'MemoryDevices', 'MaxCapacity', 'MaxCapacityEx')
  Say 'memory in use'
  List 'Win32_OperatingSystem' @('TotalVisibleMemorySize', 'FreePhysicalMemory')
  List 'Win32_OperatingSystem' @('OSArchitecture')
  Say 'hardware errors, kept in the log'
  $log = Get-WinEvent -FilterHashtable @{ LogName = 'System'; Id = 1, 17, 18, 19, 20, 46, 47 } -MaxEvents 500 |
    Where-Object { $_.ProviderName -like '*WHEA-Logger' }
  if ($log) { $log | Select-Object -First 200 | Format-List -Property TimeCreated, Id, Message | Out-String -Width 400 }
  else { '(none logged)' }
  Say 'page file'
  List 'Win32_ComputerSystem' @('AutomaticManagedPagefile', 'TotalPhysicalMemory')
  List 'Win32_PageFileUsage' @('AllocatedBaseSize', 'CurrentUsage')
  Say 'end'
}

# Words for a request that failed: the answer's own message, else why there was none.
function Refusal($failure) {
  $message = ($failure.ErrorDetails.Message | ConvertFrom-Json).error.message
  if ($message) { return $message }
  $status = [int]$failure.Exception.Response.StatusCode
  if ($status -eq 404 -or $status -eq 410) { return 'The code is not known there or has run out. Make a new one in the job.' }
  if ($status -eq 429) { return 'Too many wrong codes. Wait ten minutes.' }
  if ($status) { return "The shop's computer refused it (answer $status)." }
  "No answer from $Address. Is this machine in the shop's network, and is the probe on there?"
}

$text = (Collect | Out-String -Width 400)
$fault = if ($text -notmatch 'DeviceLocator') {
  'Not all is in the report: the memory devices cannot be read. Run this as administrator.'
}
if ($Address -and $Code) {
  $bytes = [Text.Encoding]::UTF8.GetBytes($text)
  try {
    Invoke-RestMethod -Method Post -ContentType 'text/plain; charset=utf-8' -Body $bytes `
      -Uri "$($Address.TrimEnd('/'))/api/v1/probe/report/$Code" -ErrorAction Stop
  } catch {
    $kept = Join-Path $env:TEMP 'memory-report.txt'
    [IO.File]::WriteAllText($kept, $text)
    [Console]::Error.WriteLine((Refusal $_))
    [Console]::Error.WriteLine("It was not sent. The report is kept in ${kept}: paste it in the job.")
    exit 1
  }
} else {
  $text
}
if ($fault) {
  [Console]::Error.WriteLine($fault)
  exit 1
}
