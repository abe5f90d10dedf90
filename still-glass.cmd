@echo off
rem Still Glass on Windows: finds a JDK 25 and Maven, builds, runs.
setlocal enabledelayedexpansion
set "root=%~dp0"
set "jdk=%STILL_GLASS_JDK%"
if "%jdk%"=="" set "jdk=%JAVA_HOME%"
if "%jdk%"=="" (
  echo still-glass: no JDK 25 found. Install one or set STILL_GLASS_JDK to its folder. 1>&2
  exit /b 2
)
where mvn >nul 2>nul || (echo still-glass: Maven is not found. Install it ^(3.8.7 or newer^). 1>&2 & exit /b 2)
set "verb=%~1"
if "%verb%"=="" (
  echo still-glass.cmd demo ^| run ^| test ^| screenshots DIR ^| say ^| lens ^| grade ^| plan ^| clocking ^| report
  exit /b 2
)
if "%verb%"=="test" (
  pushd "%root%" & call mvn -B verify & set "status=!errorlevel!" & popd & exit /b !status!
)
if not exist "%root%app\target\launch.classpath" (
  pushd "%root%" & call mvn -q -B -pl app -am package -DskipTests & set "status=!errorlevel!" & popd
  if not "!status!"=="0" exit /b 2
)
set /p libraries=<"%root%app\target\launch.classpath"
set "main=stillglass.cli.Main"
for %%v in (demo run screenshots) do if "%verb%"=="%%v" set "main=stillglass.app.Launcher"
"%jdk%\bin\java" -Xmx2g -Xss4m --enable-native-access=ALL-UNNAMED --sun-misc-unsafe-memory-access=allow -cp "%root%app\target\app-0.1.0.jar;%libraries%" %main% %*
exit /b %errorlevel%
