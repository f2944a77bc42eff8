@echo off
rem Starts Flailbeat; builds it first when there is no build.
setlocal enabledelayedexpansion
set "root=%~dp0"
set "jdk="
for %%d in ("%JAVA_HOME%" "%ProgramFiles%\Eclipse Adoptium\jdk-25*" "%ProgramFiles%\Java\jdk-25*") do (
  for /d %%j in (%%d) do (
    if exist "%%~j\release" findstr /b /c:"JAVA_VERSION=\"25" "%%~j\release" >nul && if not defined jdk set "jdk=%%~j"
  )
)
if not defined jdk (
  echo flailbeat: no JDK 25 was found; install one, or point JAVA_HOME at it 1>&2
  exit /b 1
)
set "jar="
for %%f in ("%root%app\target\flailbeat-app-*.jar") do set "jar=%%f"
if not defined jar (
  echo Building Flailbeat ... 1>&2
  pushd "%root%"
  call mvn -q -DskipTests package || (popd & exit /b 1)
  popd
  for %%f in ("%root%app\target\flailbeat-app-*.jar") do set "jar=%%f"
)
rem A pause of the collector is heard, so the one that never stops for long, where this JDK has it.
set "collector=-XX:+UseShenandoahGC -XX:ShenandoahGCMode=generational"
"%jdk%\bin\java" %collector% -version >nul 2>&1 || set "collector=-XX:+UseSerialGC"
"%jdk%\bin\java" %collector% -XX:TieredStopAtLevel=1 -jar "%jar%" %*
exit /b %errorlevel%
